"""A circuit in the steady state: nodal analysis with complex numbers at one frequency, or real ones for direct current.

Kirchhoff's current law at every node, solved by sparse elimination. Units: volts, amperes, siemens, all r.m.s.
"""

from collections.abc import Mapping

GROUND = "ground.G"
STRAY_S = 1e-10  # siemens from every node to ground: what keeps a floating terminal from being undefined [M]


class Network:
    """Nodes by name and what joins them. `ground.G` is 0 V."""

    __slots__ = ("_into", "_rows", "elements", "sources")

    def __init__(self) -> None:
        self.elements: list[tuple[str, str, str, str, complex]] = []  # from, to, driven by the volts of, over, S
        self.sources: list[tuple[str, str, complex, complex]] = []  # plus, minus, V, Ω
        self._rows: dict[str, dict[str, complex]] = {}
        self._into: dict[str, complex] = {}

    def _row(self, node: str) -> dict[str, complex]:
        row = self._rows.get(node)
        if row is None:
            row = self._rows[node] = {node: STRAY_S}
        return row

    def join(self, a: str, b: str, siemens: complex) -> None:
        """An admittance between two nodes."""
        self.steer(a, b, a, b, siemens)

    def steer(self, a: str, b: str, plus: str, minus: str, siemens: complex) -> None:
        """A current from a to b, driven by the volts of `plus` over `minus`: what one winding does to another."""
        self.elements.append((a, b, plus, minus, siemens))
        for node, sign in ((a, siemens), (b, -siemens)):
            if node != GROUND:
                row = self._row(node)
                if plus != GROUND:
                    row[plus] = row.get(plus, 0) + sign
                if minus != GROUND:
                    row[minus] = row.get(minus, 0) - sign
        for node in (plus, minus):
            if node != GROUND:
                self._row(node)

    def source(self, plus: str, minus: str, volts: complex, ohms: complex) -> None:
        """A source behind its own impedance: as a current beside an admittance (Norton)."""
        self.sources.append((plus, minus, volts, ohms))
        self.join(plus, minus, 1 / ohms)
        for node, sign in ((plus, 1), (minus, -1)):
            if node != GROUND:
                self._into[node] = self._into.get(node, 0) + sign * volts / ohms

    def solve(self) -> dict[str, complex]:
        """The volts of every node against ground.

        >>> divider = Network()
        >>> divider.source("a", GROUND, 10, 1)
        >>> divider.join("a", "b", 1 / 4)
        >>> divider.join("b", GROUND, 1 / 5)
        >>> round(divider.solve()["b"].real, 6)
        5.0
        """
        return self._solved([self._into])[0]

    def seen_from(self, *ports: tuple[str, str]) -> tuple[list[complex], list[list[complex]]]:
        """What the rest of the circuit is from a few pairs of nodes: the volts there with nothing on them, and its impedances, Ω.

        Source: Thévenin's theorem for several ports.

        >>> source = Network()
        >>> source.source("a", GROUND, 10, 2)
        >>> volts, ohms = source.seen_from(("a", GROUND))
        >>> round(volts[0].real, 6), round(ohms[0][0].real, 6)
        (10.0, 2.0)
        """
        for port in ports:
            for node in port:
                if node != GROUND:
                    self._row(node)
        pushed = [{node: amps for node, amps in ((plus, 1 + 0j), (minus, -1 + 0j)) if node != GROUND} for plus, minus in ports]
        own, *others = self._solved([self._into, *pushed])

        def across(volts: Mapping[str, complex], port: tuple[str, str]) -> complex:
            return volts.get(port[0], 0j) - volts.get(port[1], 0j)

        return [across(own, port) for port in ports], [[across(volts, port) for volts in others] for port in ports]

    def _solved(self, currents: list[dict[str, complex]]) -> list[dict[str, complex]]:
        """The volts for each set of currents into the nodes.

        Gaussian elimination, the node with the fewest neighbours first. Source: Kirchhoff's current law; any textbook on circuits.
        """
        rows = {node: dict(row) for node, row in self._rows.items()}
        into = {node: [one.get(node, 0j) for one in currents] for node in rows}
        columns: dict[str, set[str]] = {node: set() for node in rows}
        for node, row in rows.items():
            for other in row:
                columns[other].add(node)
        order: list[tuple[str, complex, dict[str, complex]]] = []
        for pivot in sorted(rows, key=lambda node: (len(columns[node]), node)):
            row = rows.pop(pivot)
            diagonal = row.pop(pivot)
            for other in row:
                columns[other].discard(pivot)
            for node in columns.pop(pivot) - {pivot}:
                own = rows[node]
                factor = own.pop(pivot) / diagonal
                for other, value in row.items():
                    if other in own:
                        own[other] -= factor * value
                    else:
                        own[other] = -factor * value
                        columns[other].add(node)
                into[node] = [here - factor * there for here, there in zip(into[node], into[pivot], strict=True)]
            order.append((pivot, diagonal, row))
        solved: list[dict[str, complex]] = [{} for _ in currents]
        for node, diagonal, row in reversed(order):
            for volts, amps in zip(solved, into[node], strict=True):
                rest = amps
                for other, value in row.items():
                    rest -= value * volts[other]
                volts[node] = rest / diagonal
        return solved


def between(volts: Mapping[str, complex], a: str, b: str) -> float:
    """The volts from a to b, as a meter shows them.

    >>> between({"a": 3 + 4j}, "a", GROUND)
    5.0
    """
    return abs(volts.get(a, 0j) - volts.get(b, 0j))
