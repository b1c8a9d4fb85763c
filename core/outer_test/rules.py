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
    Rule("look-over", "Look over", "common practice, no source", "T"),
)
RULES: dict[str, Rule] = {rule.name: rule for rule in _ALL}
