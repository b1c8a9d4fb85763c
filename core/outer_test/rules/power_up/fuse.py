"""Fuses and breakers: the rules `fuse` and `reset` (handbook section 8)."""

from decimal import Decimal

from outer_test.judgement import Finding, Limits, Rule, Verdict, judged
from outer_test.measurement import Measured, numeric, say
from outer_test.rules.windings.leads import LEADS
from outer_test.visit import Measures, Visit, capacitor_sections, group_of, measures

FUSE = Rule("fuse", "Fuses", "common practice, no source", "T")
RESET = Rule("reset", "A tripped breaker or a blown fuse", "29 CFR 1910.334(b)(2); NFPA 70E 130.6(L) or (M), from memory", "P")

MOST_OHM = Decimal(1)
LINE_V, SOUND_V = Decimal(30), Decimal("0.5")
SOUND_FIRST = "found sound dead: grounds and pairs of compressor and fan, leads, capacitors, contactor faces, wiring"
_GROUNDS = ("winding.c_ground.ohm", "winding.r_ground.ohm", "winding.s_ground.ohm")
_PAIRS = ("winding.c_r.ohm", "winding.c_s.ohm", "winding.r_s.ohm")


def dead_checks(visit: Visit) -> tuple[str, ...]:
    """What has to be found sound on this unit before power returns. Source: handbook section 8, `reset`.

    >>> [point for point in dead_checks(Visit()) if group_of(point) == "cap"]
    ['cap.herm.uf', 'cap.fan.uf', 'cap.case_ground.ohm']
    """
    sections, unlabelled = capacitor_sections(visit), any(measures(one.point) is Measures.UNLABELLED for one in visit.readings)
    pairs = () if visit.plate.compressor.kind == "inverter" or unlabelled else _PAIRS
    fan = ("fan_winding.c_ground.ohm", *(("fan_winding.r_s.ohm",) if visit.plate.fan.kind != "electronic" else ()))
    capacitors = (*(f"cap.{section}.uf" for section in sections), *(("cap.case_ground.ohm",) if sections else ()))
    return (*_GROUNDS, *pairs, *fan, *LEADS, *capacitors, "look.contactor.faces", "look.wiring")


def fuse_ohm(point: str, ohm: Measured) -> Finding:
    """A fuse out of circuit: to 1 Ω or a beep `good`, over 1 Ω or open `bad`. ohm: Ω, OL or a beep. Source: [T], no source.

    >>> from outer_test.measurement import measure
    >>> [fuse_ohm("line.fuse1.ohm", measure(text)).verdict.value for text in ("0.1", "closed", "4.0", "OL")]
    ['good', 'good', 'bad', 'bad']
    """
    limits = Limits(high=float(MOST_OHM))
    if ohm.value.kind == "closed":
        return judged(point, FUSE, Verdict.GOOD, "It beeps: the fuse is through.", ohm, unit="Ω", limits=limits)
    if ohm.is_open or ohm.value.kind == "open" or numeric(ohm) > MOST_OHM:
        shown = "Open" if ohm.number is None or ohm.is_open else f"{say(ohm.number)} Ω"
        what = "A shorted coil or a rubbed control wire blows it" if group_of(point) == "control" else "Something blew it"
        return judged(
            point, FUSE, Verdict.BAD, f"{shown}: blown. A sound fuse reads 1 Ω or less.", ohm, unit="Ω", limits=limits,
            next=f"{what}: find out why before another of the same size goes in.",
        )  # fmt: skip
    return judged(point, FUSE, Verdict.GOOD, f"{say(numeric(ohm))} Ω: through.", ohm, unit="Ω", limits=limits)


def fuse_volts(point: str, volts: Measured, loaded: bool) -> Finding:
    """Volts across a fuse in circuit: line volts `bad`; under load under 0.5 V `good`, between `watch`; unloaded 0 V proves nothing.

    volts: V. loaded: whether amps through it are on record. Source: [T], no source.

    >>> from outer_test.measurement import measure
    >>> [fuse_volts("line.fuse1.v", measure("0.03"), loaded).verdict.value for loaded in (True, False)]
    ['good', 'unsure']
    """
    if volts.number is None:
        return judged(point, FUSE, Verdict.UNSURE, "No number to judge.", volts, unit="V", next="Use a range of 600 V or more.")
    number, limits = abs(volts.number), Limits(watch_high=float(SOUND_V), high=float(LINE_V))
    if number >= LINE_V:
        return judged(
            point, FUSE, Verdict.BAD, f"{say(number)} V stands across it: blown.", volts, unit="V", limits=limits,
            next="Power off, prove dead; find out why before another of the same size goes in.",
        )  # fmt: skip
    if not loaded:
        return judged(
            point, FUSE, Verdict.UNSURE, f"{say(number)} V without load proves nothing.", volts, unit="V", limits=limits,
            next="Read it while the unit runs, or pull the fuse and measure its ohms.",
        )  # fmt: skip
    if number < SOUND_V:
        return judged(point, FUSE, Verdict.GOOD, f"{say(number)} V under load: through.", volts, unit="V", limits=limits)
    return judged(
        point, FUSE, Verdict.WATCH, f"{say(number)} V under load: it or its clips are poor.", volts, unit="V", limits=limits,
        next="Power off; clean and tighten the clips, measure the fuse's ohms.",
    )  # fmt: skip


def breaker(state: str, missing: tuple[str, ...] = (), held: bool = False) -> Finding:
    """The indoor breaker as found: on `good`, off `watch`, tripped `bad` and not reset until all is found sound dead.

    missing: the dead checks still to do. held: it was closed once and holds: `watch`, what tripped it is not known.
    Source: [P: 29 CFR 1910.334(b)(2), from memory].

    >>> breaker("tripped", ("winding.c_ground.ohm",)).needs
    ('winding.c_ground.ohm',)
    """
    point = "line.breaker"
    if state == "on":
        return judged(point, RESET, Verdict.GOOD, "The breaker is on.", shown=state)
    if state == "off":
        return judged(
            point, RESET, Verdict.WATCH, "Somebody switched it off: by whom, and why?", shown=state, next="Ask before it is switched on.",
        )  # fmt: skip
    if held:
        return judged(
            point, RESET, Verdict.WATCH, "It had tripped; closed once, it holds.", shown=state, next="Watch for it at the next visit."
        )
    if missing:
        step = f"Do not reset it until all is {SOUND_FIRST}."
    else:
        step = "Found sound dead, it may be closed once, by local code, clamp on; a second trip means leave it off: an electrician's work."
    return judged(point, RESET, Verdict.BAD, "Tripped: it tripped for a reason.", shown=state, needs=missing, next=step)


def closed_once(state: str, missing: tuple[str, ...] = ()) -> Finding:
    """What came of closing a tripped breaker once: it holds, `good`; it trips again, `bad`: no more, leave it off.

    missing: the dead checks that were still to do. Source: [P: 29 CFR 1910.334(b)(2), from memory].

    >>> closed_once("holds").verdict.value, closed_once("trips").verdict.value
    ('good', 'bad')
    """
    point = "line.reset"
    if state == "holds":
        why = "It holds. The amps now say nothing of the amps that tripped it."
        return judged(point, RESET, Verdict.GOOD, why, shown=state, needs=missing)
    return judged(
        point, RESET, Verdict.BAD, "Closed once, and it tripped again.", shown=state, needs=missing,
        next="No more: leave it off. With the peak well under its size the breaker itself is suspect, an electrician's work; a "
        "ground-fault or arc-fault breaker has seen leakage: insulation of compressor, fan, crankcase heater and whip first.",
    )  # fmt: skip
