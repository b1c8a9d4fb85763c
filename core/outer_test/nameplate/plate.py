"""The outdoor unit's nameplate, as read: every field may be absent, and may be marked unreadable."""

from dataclasses import dataclass, field, fields, is_dataclass
from functools import cache
from types import UnionType
from typing import Literal, Union, get_args, get_origin, get_type_hints

from outer_test.measurement import FieldProblem, Record, quantity
from outer_test.nameplate.defrost_control import Defrost


@dataclass(frozen=True, slots=True)
class Compressor(Record):
    """What the plate says of the compressor."""

    rla: float | None = quantity("A", 0.1, 300, doc="rated load amps")
    lra: float | None = quantity("A", 0.1, 1500, doc="locked rotor amps")
    kind: Literal["scroll", "reciprocating", "rotary", "inverter"] | None = None
    stages: Literal[1, 2] = 1
    winding: Literal["copper", "aluminium"] = "copper"


@dataclass(frozen=True, slots=True)
class Fan(Record):
    """What the plate says of the outdoor fan motor."""

    fla: float | None = quantity("A", 0.05, 50, doc="full load amps")
    kind: Literal["capacitor", "electronic"] = "capacitor"
    count: Literal[1, 2] = 1
    switched_by_board: bool = True


@dataclass(frozen=True, slots=True)
class RunCapacitor(Record):
    """The run capacitor the plate asks for: a dual, or singles. A section the unit lacks stays absent."""

    herm_uf: float | None = quantity("µF", 0.5, 200, doc="compressor section")
    fan_uf: float | None = quantity("µF", 0.5, 200, doc="fan section")
    vac: float | None = quantity("V a.c.", 100, 660)
    tolerance_pct: float | None = quantity("%", 0.5, 25, doc="as printed, either way")
    form: Literal["dual", "singles"] = "dual"


@dataclass(frozen=True, slots=True)
class StartCapacitor(Record):
    """A start capacitor, by the band printed on it."""

    low_uf: float | None = quantity("µF", 5, 1500)
    high_uf: float | None = quantity("µF", 5, 1500)
    vac: float | None = quantity("V a.c.", 100, 660)

    def __post_init__(self) -> None:
        Record.__post_init__(self)
        if self.low_uf is not None and self.high_uf is not None and self.low_uf > self.high_uf:
            raise FieldProblem("low_uf", f"must not be above high_uf ({self.low_uf:g} > {self.high_uf:g} µF)")


@dataclass(frozen=True, slots=True)
class BlowerCapacitor(Record):
    """The indoor blower's run capacitor, by its own label."""

    uf: float | None = quantity("µF", 0.5, 200)
    tolerance_pct: float | None = quantity("%", 0.5, 25, doc="as printed, either way")


@dataclass(frozen=True, slots=True)
class Contactor(Record):
    """The contactor the plate asks for."""

    poles: Literal[1, 2, 3] | None = None
    amps: float | None = quantity("A", 5, 200, doc="full-load amps")
    lra: float | None = quantity("A", 10, 1500, doc="locked-rotor amps")
    coil_v: float | None = quantity("V", 10, 480)


@dataclass(frozen=True, slots=True)
class Element(Record):
    """One electric heating element indoors."""

    kw: float = quantity("kW", 0.1, 60, required=True)
    volts: float = quantity("V", 100, 600, required=True)
    disconnected: str = ""  # the reason, where it was taken off on purpose


@dataclass(frozen=True, slots=True)
class AuxHeat(Record):
    """Heat that helps while the unit defrosts."""

    kind: Literal["electric", "gas", "none"] | None = None
    elements: tuple[Element, ...] = ()
    protection_a: float | None = quantity("A", 1, 400, doc="fuse or breaker of the heaters")
    blower_fla: float | None = quantity("A", 0, 50, doc="indoor blower on the same circuit; 0 where it is on another")

    @property
    def fitted(self) -> bool | None:
        """Whether there is any; None where the record does not say.

        >>> AuxHeat("gas").fitted, AuxHeat("none").fitted, AuxHeat().fitted
        (True, False, None)
        """
        return None if self.kind is None else self.kind != "none"


# What changes what a defrost is expected to do, beside the board itself.
SystemKind = Literal["dual-fuel", "zone-panel", "outdoor-thermostat"]


@dataclass(frozen=True, slots=True)
class Plate(Record):
    """The nameplate and the part labels, as the unit should be (handbook section 3).

    `unreadable` holds dotted names of fields that are there but cannot be read, such as `run_capacitor.herm_uf`.
    """

    volts: tuple[float, ...] = quantity("V", 100, 600, default=(), doc="one value, or 208 and 230")
    volts_min: float | None = quantity("V", 80, 600)
    volts_max: float | None = quantity("V", 80, 660)
    phase: Literal[1, 3] | None = None
    hz: Literal[50, 60] | None = None
    compressor: Compressor = Compressor()
    fan: Fan = Fan()
    mca: float | None = quantity("A", 1, 400, doc="minimum circuit ampacity")
    mop: float | None = quantity("A", 1, 600, doc="maximum overcurrent protection")
    branch_selection_a: float | None = quantity("A", 0.1, 300, doc="branch-circuit selection current, if printed")
    protection_a: float | None = quantity("A", 1, 1000, doc="fuse or breaker that is installed")
    conductor_awg: Literal[14, 12, 10, 8, 6, 4] | None = None
    conductor_metal: Literal["copper", "aluminium"] = "copper"
    refrigerant: str | None = None
    made_year: int | None = quantity("", 1950, 2100)
    made_week: int | None = quantity("", 1, 53)
    run_capacitor: RunCapacitor | None = None
    start_capacitor: StartCapacitor | None = None
    blower_capacitor: BlowerCapacitor | None = None
    start_device: Literal["none", "two-wire", "relay"] | None = None
    contactor: Contactor = Contactor()
    valve: Literal["O", "B"] | None = None
    aux_heat: AuxHeat = AuxHeat()
    system: tuple[SystemKind, ...] = ()  # beside what compressor, stages, fan and aux heat say themselves
    defrost: Defrost = Defrost()
    unreadable: tuple[str, ...] = field(default=())

    def __post_init__(self) -> None:
        Record.__post_init__(self)
        unknown = [name for name in self.unreadable if name not in plate_fields()]
        if unknown:
            raise FieldProblem("unreadable", f"names no plate field: {', '.join(unknown)[:80]}")
        if self.volts_min is not None and self.volts_max is not None and self.volts_min > self.volts_max:
            raise FieldProblem("volts_min", f"must not be above volts_max ({self.volts_min:g} > {self.volts_max:g})")


def _part_type(annotation: object) -> type | None:
    """The dataclass inside `X` or `X | None`, or None for a plain field."""
    options = get_args(annotation) if get_origin(annotation) in (Union, UnionType) else (annotation,)
    return next((option for option in options if isinstance(option, type) and is_dataclass(option)), None)


@cache
def plate_fields() -> tuple[str, ...]:
    """The dotted names of every field a plate has, in printing order.

    >>> "compressor.rla" in plate_fields(), "compressor.nose" in plate_fields()
    (True, False)
    """
    names: list[str] = []
    hints = get_type_hints(Plate)
    for one in fields(Plate):
        part = _part_type(hints[one.name])
        if part is not None:
            names += [f"{one.name}.{inner.name}" for inner in fields(part)]
        elif one.name != "unreadable":
            names.append(one.name)
    return tuple(names)


def why_missing(plate: Plate, *names: str) -> str:
    """Why a rule cannot judge: which plate fields are unreadable, and which were not entered.

    >>> why_missing(Plate(unreadable=("mca",)), "mca", "compressor.rla")
    'Needs MCA (unreadable) and compressor RLA (not entered).'
    """
    parts = [f"{field_label(name)} ({'unreadable' if name in plate.unreadable else 'not entered'})" for name in names]
    return f"Needs {' and '.join(parts)}."


_LABEL = {
    "mca": "MCA", "mop": "MOP", "compressor.rla": "compressor RLA", "compressor.lra": "compressor LRA",
    "fan.fla": "fan FLA", "protection_a": "the installed fuse or breaker", "conductor_awg": "the conductor size",
    "run_capacitor.herm_uf": "the compressor section's µF", "run_capacitor.fan_uf": "the fan section's µF",
    "run_capacitor.vac": "the run capacitor's volts", "start_capacitor.low_uf": "the start capacitor's low µF",
    "start_capacitor.high_uf": "the start capacitor's high µF", "start_capacitor.vac": "the start capacitor's volts",
}  # fmt: skip


def field_label(name: str) -> str:
    """A plate field's name in the field's own words.

    >>> field_label("mca"), field_label("made_year")
    ('MCA', 'made year')
    """
    return _LABEL.get(name, name.replace(".", " ").replace("_", " "))
