"""Swapping a defrost board without losing a wire: the guide, step by step, from what the visit says (handbook section 9)."""

from collections import Counter
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from typing import Literal

from outer_test.judgement import Finding, HouseRules, Rule, Verdict, judged
from outer_test.nameplate import Defrost
from outer_test.visit import BoardWire, Lifted, PowerState, Thing, Visit, words_for

BOARD_SWAP = Rule("board-swap", "A new board, proved", "common practice, no source", "T", choice="board_power")

WireState = Literal["mapped", "off", "moved", "retired", "left"]
StepState = Literal["done", "next", "later", "record"]


@dataclass(frozen=True, slots=True)
class WireShown:
    """A wire of the map and where it is now; `new_terminal` on the new board, `why` where it is retired or left."""

    wire: BoardWire
    state: WireState
    line: str
    why: str = ""


@dataclass(frozen=True, slots=True)
class SwapStep:
    """A step of the swap. `point` is the thing seen that ticks it; empty where the visit tells by itself."""

    what: str
    how: str
    state: StepState
    point: str = ""
    caution: str = ""


@dataclass(frozen=True, slots=True)
class SwapGuide:
    """The guide: its steps, and the wires. `may_lift` is false while a wire is off: one at a time."""

    steps: tuple[SwapStep, ...]
    wires: tuple[WireShown, ...]
    may_lift: bool
    settings: tuple[str, ...]
    kit: str


def line_names(wires: Sequence[BoardWire]) -> list[str]:
    """What each board wire is called on the not-put-back list; wires alike in terminal and colour are numbered.

    >>> line_names((BoardWire("Y", "yellow"), BoardWire("R", "red"), BoardWire("R", "red", "transformer")))
    ['Board wire Y (yellow)', 'Board wire R (red)', 'Board wire R (red) 2']
    """
    names: list[str] = []
    alike: Counter[str] = Counter()
    for wire in wires:
        name = f"{words_for(Thing.BOARD_WIRE)} {wire.terminal}" + (f" ({wire.colour})" if wire.colour else "")
        alike[name] += 1
        names.append(name if alike[name] == 1 else f"{name} {alike[name]}")
    return names


def wires_now(visit: Visit) -> tuple[WireShown, ...]:
    """Every mapped wire and where it is, from the not-put-back list.

    >>> wires_now(Visit(board_wires=(BoardWire("Y"),), lifted=(Lifted("Board wire Y"),)))[0].state
    'off'
    """
    latest = {line.what: line for line in visit.lifted}
    named = zip(visit.board_wires, line_names(visit.board_wires), strict=True)
    return tuple(_now(wire, name, latest.get(name)) for wire, name in named)


def _now(wire: BoardWire, name: str, line: Lifted | None) -> WireShown:
    if line is None:
        return WireShown(wire, "mapped", name)
    if line.end is None:
        return WireShown(wire, "off", name)
    states: dict[str, WireState] = {"back": "mapped" if wire.on_old else "moved", "retired": "retired", "left": "left"}
    return WireShown(wire, states[line.end.how], name, line.end.why)


def settings_of(defrost: Defrost) -> tuple[str, ...]:
    """What is set on the old board and is set alike on the new one, in words.

    >>> settings_of(Defrost(control="time-temperature", minutes=60))
    ('Interval pin: 60 min',)
    """
    said = [f"Interval pin: {defrost.minutes:g} min"] if defrost.minutes is not None else []
    for link in defrost.links:
        said.append(f"Link, {link.name}: {'not looked at' if link.cut is None else 'cut' if link.cut else 'whole'}")
    return tuple(said)


def kit_words(defrost: Defrost, rules: HouseRules) -> str:
    """What is ordered with the board: the rule `board-kit`. Source: [T] common practice, by house rule.

    >>> kit_words(Defrost(control="demand"), HouseRules())
    'House rule: order the board with both sensors; they cost little and share the fault.'
    """
    if rules.board_kit == "failed-only":
        return "House rule: order only what failed."
    with_it = "both sensors" if defrost.control == "demand" else "its coil switch"
    return f"House rule: order the board with {with_it}; they cost little and share the fault."


def proved_since_swap(visit: Visit, wires: tuple[WireShown, ...]) -> bool | None:
    """Whether a whole defrost was run after the last wire went to the new board; None where nothing was swapped."""
    moved = [line.end.at for line in visit.lifted if line.end and line.what in {wire.line for wire in wires} and line.end.how == "back"]
    if not moved:
        return None
    ended = any(one.event == "ended" for one in visit.defrost_run)
    last = max((at for at in moved if at is not None), default=None)
    if not ended or visit.defrost_forced_at is None or last is None:
        return ended and last is None
    return visit.defrost_forced_at >= last


def swap_findings(visit: Visit) -> Iterator[Finding]:
    """A new board is `watch` until a whole defrost was run on it: the rule `board-swap`."""
    wires = wires_now(visit)
    proved = proved_since_swap(visit, wires)
    if proved is None or any(wire.state in ("mapped", "off") for wire in wires):
        return
    if proved:
        yield judged("swap.proved", BOARD_SWAP, Verdict.GOOD, "Every wire has its place, and a whole defrost was run on the new board.")
    else:
        yield judged(
            "swap.proved", BOARD_SWAP, Verdict.WATCH, "The new board is in, and not proved yet.",
            next="Wait out the five-minute restart hold, then run a whole defrost.",
        )  # fmt: skip


def swap_guide(visit: Visit, power: PowerState) -> SwapGuide:
    """The guide for this visit. Section 10 alone governs finishing; this only says what is next.

    power: the power state now. Source: [T] common practice, no source.

    >>> swap_guide(Visit(), "live").steps[0].state
    'next'
    """
    wires = wires_now(visit)
    states = [wire.state for wire in wires]
    proved = proved_since_swap(visit, wires)
    moved = bool(wires) and all(state in ("moved", "retired", "left") for state in states)
    indoor = visit.saw("swap.indoor") is not None
    dead, live = power == "dead-proved" or moved, _LIVE if power == "live" else ""
    photo = visit.saw("swap.photo") == "taken"
    raw = (
        ("Outdoor power off, proved dead", "Station Make safe proves it.", dead, "", live),
        ("Low voltage off", _indoor(visit), indoor, "swap.indoor", ""),
        ("Photo of the old board", "All wires and links to be seen, before anything moves.", photo, "swap.photo", ""),
        ("Map every wire", "Terminal, colour, where it comes from.", bool(wires), "", ""),
        ("Copy the settings", "; ".join(settings_of(visit.plate.defrost)) or "Interval, links: set the new one alike.",
         visit.saw("swap.settings") == "copied", "swap.settings", ""),
        ("Pressure-switch jumper", _jumper(visit.plate.defrost), visit.saw("swap.jumper") is not None, "swap.jumper", ""),
        ("Move one wire at a time", "Same name to same name, though the places differ. Flex spade terminals apart, never pull on the wire.",
         moved, "", ""),
        ("Sensors", "Sensors the new board does not use are retired, with the reason; new ones are seated and tied.",
         visit.saw("swap.sensors") is not None, "swap.sensors", ""),
        ("Wait out the restart hold", "Five minutes after power-up.", bool(proved), "", ""),
        ("Run a whole defrost", "Above, on the bench: it proves the new board.", bool(proved), "", ""),
    )  # fmt: skip
    first = next((place for place, one in enumerate(raw) if not one[2]), len(raw))
    steps = tuple(
        SwapStep(what, how, "done" if done else "next" if place == first else "later", point, caution)
        for place, (what, how, done, point, caution) in enumerate(raw)
    )
    return SwapGuide(steps, wires, "off" not in states, settings_of(visit.plate.defrost), kit_words(visit.plate.defrost, visit.rules))


_LIVE = "The unit is live: no board wire is touched."


def _indoor(visit: Visit) -> str:
    if visit.rules.board_power == "plug-pulled":
        return "House rule: pull the board's low-voltage plug first. A light that is still lit says it is alive."
    return "House rule: indoor power off too. A light that is still lit says it is alive."


def _jumper(defrost: Defrost) -> str:
    if defrost.pressure_switch is None:
        return "Has this unit a pressure switch at the board? The factory jumper is moved only where it has none."
    if defrost.pressure_switch:
        return "This unit has the switch: its two wires move, and the new board's factory jumper comes out."
    return "This unit has none: the factory jumper goes on the new board's terminals too."
