"""A network as a SPICE netlist, so that any circuit simulator can be held against the twin."""

from math import atan2, degrees, pi

from outer_test.twin.network import GROUND, STRAY_S, Network


def netlist(network: Network, hz: float, title: str = "unit") -> str:
    """The netlist of a network at one frequency, Hz, with the analysis that prints every node's volts.

    What is reactive becomes the inductor or capacitor that it is at this frequency. Source: none, a format; written for ngspice.

    >>> divider = Network()
    >>> divider.source("a", GROUND, 10, 1)
    >>> divider.join("a", GROUND, 1 / 4)
    >>> netlist(divider, 60).splitlines()[0]
    '* unit'
    """
    names = node_names(network)
    lines = [f"* {title}"]
    for place, (a, b, plus, minus, siemens) in enumerate(network.elements):
        lines += _element(place, names[a], names[b], names[plus], names[minus], complex(siemens), 2 * pi * hz)
    for place, (plus, minus, volts, ohms) in enumerate(network.sources):
        amps = complex(volts) / complex(ohms)  # the admittance beside it is among the elements (Norton)
        lines.append(f"Is{place} {names[minus]} {names[plus]} AC {abs(amps):.12g} {degrees(atan2(amps.imag, amps.real)):.12g}")
    lines += [f"Rstray{number} {number} 0 {1 / STRAY_S:.6g}" for number in names.values() if number != "0"]
    lines += [".options reltol=1e-9 abstol=1e-15 gmin=1e-18", ".control", "set numdgt=12", f"ac lin 1 {hz:.12g} {hz:.12g}"]
    lines += [f"print mag(v({number}))" for number in names.values() if number != "0"]
    return "\n".join([*lines, "quit", ".endc", ".end", ""])


def node_names(network: Network) -> dict[str, str]:
    """The number each node has in the netlist; ground is 0.

    >>> node_names(Network())
    {'ground.G': '0'}
    """
    names = {GROUND: "0"}
    for a, b, plus, minus, _ in network.elements:
        for node in (a, b, plus, minus):
            names.setdefault(node, str(len(names)))
    return names


def _element(place: int, a: str, b: str, plus: str, minus: str, siemens: complex, omega: float) -> list[str]:
    if (a, b) == (plus, minus):
        found = [f"R{place} {a} {b} {1 / siemens.real:.12g}"] if siemens.real else []
        if siemens.imag > 0:
            found.append(f"C{place} {a} {b} {siemens.imag / omega:.12g}")
        if siemens.imag < 0:
            found.append(f"L{place} {a} {b} {-1 / (siemens.imag * omega):.12g}")
        return found
    # One winding drives another: a real share by its volts, a reactive one by the current that they drive through 1 Ω of reactance.
    found = [f"G{place} {a} {b} {plus} {minus} {siemens.real:.12g}"] if siemens.real else []
    if siemens.imag:
        held, sensed = f"h{place}", f"s{place}"
        found += [
            f"E{place} {held} 0 {plus} {minus} 1", f"C{place} {held} {sensed} {1 / omega:.12g}", f"V{place} {sensed} 0 DC 0 AC 0",
            f"F{place} {a} {b} V{place} {siemens.imag:.12g}",
        ]  # fmt: skip
    return found
