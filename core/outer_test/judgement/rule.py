"""The rules that judge, each with its title and its source. Findings name these and nothing else."""

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Rule:
    """A rule of the trade. mark: P published, T common practice without a source, D derived; sometimes two."""

    name: str
    title: str
    source: str
    mark: str


_NEC = "NFPA 70 (NEC)"
_ALL = (
    Rule("plate-mca", "Printed MCA against the computed one", f"{_NEC} 440.33; UL 60335-2-40, from memory", "P"),
    Rule("plate-mop", "Printed MOP against the computed one", f"{_NEC} 440.22, 240.6(A), from memory", "P"),
    Rule("plate-lra", "LRA against RLA", "common practice, no source", "T"),
    Rule("protection", "Installed fuse or breaker", f"{_NEC} 440.22, from memory", "P"),
    Rule("conductor", "Copper conductor", f"{_NEC} Table 310.16, from memory", "P"),
    Rule(
        "absence",
        "Absence of voltage",
        "NFPA 70E 120.5 (120.6 in 2024), from memory; the 2 V and 30 V lines are common practice",
        "P T",
    ),
    Rule("stored-energy", "Charge left in a capacitor", "E = ½CV²; common practice for the 2 V and 30 V lines", "D T"),
    Rule("cap-installed", "Fitted capacitor against the plate", "common practice, no source", "T"),
    Rule(
        "cap-bench",
        "Capacitor section on the bench",
        "EIA-456-A and IEC 60252-1 tolerance classes, from memory; common practice",
        "P T",
    ),
    Rule("cap-case", "Capacitor case", "common practice, no source", "T"),
    Rule("cap-start", "Start capacitor", "the printed band; common practice", "T"),
    Rule("cap-new", "A new capacitor before it goes in", "EIA-456-A and IEC 60252-1, from memory; common practice", "P T"),
    Rule("cap-fit", "A replacement that fits", "common practice, no source", "T"),
    Rule("faces", "Contactor faces", "common practice, no source", "T"),
    Rule("sensor-seat", "Coil sensor in its well", "common practice, no source", "T"),
    Rule("cap-load", "Capacitor section while running", "C = I ÷ 2πfV; limits as on the bench", "D"),
    Rule("cap-volts", "Volts across a running capacitor", "IEC 60252-1, 10 % over-voltage limit, from memory", "P"),
    Rule("coil-ohm", "Contactor coil resistance", "common practice, no source", "T"),
    Rule(
        "coil-volts",
        "Voltage at the contactor coil",
        "IEC 60947-4-1, closes at 85 %, from memory; upper side common practice",
        "P T",
    ),
    Rule("pole-through", "A closed pole that is open", "common practice, no source", "T"),
    Rule("pole-drop", "Drop across a closed pole", "common practice, little is published", "T"),
    Rule("contactor-fit", "Contactor against the plate", "common practice, no source", "T"),
    Rule("lead-through", "Compressor leads", "common practice, no source", "T"),
    Rule("winding-id", "Which terminal is which", "run and start in series are the highest pair", "D"),
    Rule("winding-sum", "Winding pairs add up", "windings in series", "D"),
    Rule("winding-open", "Open windings", "the windings' common point; 10 °F and 2 h are common practice", "D T"),
    Rule(
        "winding-short",
        "Winding against its baseline",
        "IEEE 112 for the temperature, from memory; 5 % is common practice",
        "P T",
    ),
    Rule("winding-ground", "Winding to ground", "common practice, no source", "T"),
    Rule("insulation", "500 V insulation test", "common practice; IEEE 43-2013 shown beside, from memory", "T P"),
    Rule("three-phase", "Three equal pairs", "common practice, no source", "T"),
    Rule("unbalance", "Voltage unbalance", "NEMA MG 1, 14.36, from memory", "P"),
    Rule("line-volts", "Line voltage", "NEMA MG 1, 12.44, ±10 %, from memory; leg bands are common practice", "P T"),
    Rule("line-trace", "Where line voltage is lost", "common practice, no source", "T"),
    Rule("fuse", "Fuses", "common practice, no source", "T"),
    Rule("control-trace", "Where control voltage is lost", "common practice, no source", "T"),
    Rule("board-pass", "Y through the board", "common practice, no source", "T"),
    Rule("run-amps", "Running amps against the plate", "common practice, no source", "T"),
    Rule("total-amps", "Amps add up", "currents of one circuit add", "D"),
    Rule("start-amps", "Start peak and time", "common practice, no source", "T"),
    Rule("start-sag", "Line voltage while starting", "common practice, no source", "T"),
    Rule("kit-effect", "What a start kit does", "common practice, no source", "T"),
    Rule("element-amps", "Aux heat elements", f"{_NEC} 424.3(B), now 424.4, from memory; ±10 % is common practice", "P T"),
    Rule("button-up", "Buttoned up", "common practice, no source", "T"),
    Rule("switch-state", "Coil switch", "common practice, ±5 °F, no source", "T"),
    Rule("sensor-ohm", "Defrost sensors", "the B-parameter equation; curve and limits are common practice", "D T"),
    Rule("valve-coil", "Reversing valve coil", "common practice, no source", "T"),
    Rule("sequence", "One defrost against its board", "common practice, no source", "T"),
    Rule("board-lights", "Board lights", "the unit's own legend", "T"),
    Rule("board-swap", "A new board, proved", "common practice, no source", "T"),
    Rule("look-over", "Look over", "common practice, no source", "T"),
)
RULES: dict[str, Rule] = {rule.name: rule for rule in _ALL}
