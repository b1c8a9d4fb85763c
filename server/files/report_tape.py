"""The tape drawn for paper: the same strip, limits, nominal, whisker and pointer as on the screen, as SVG."""

from collections.abc import Iterable
from dataclasses import dataclass

from outer_test.judgement import Finding, Verdict

WIDE, TOP, DEEP = 220, 8, 18
INK, LEAF, LEAF_TINT, OCHRE, OCHRE_TINT, BRICK, FROST, FAINT, RULE, PANEL = (
    "#1b2624", "#2c6e49", "#dcebe1", "#9a6a10", "#f3e6c4", "#b3261e", "#2b6f97", "#55625f", "#d6d1c2", "#fffefb",
)  # fmt: skip
TONE = {
    Verdict.GOOD: LEAF, Verdict.WATCH: OCHRE, Verdict.BAD: BRICK, Verdict.STOP: BRICK, Verdict.UNSURE: FROST, Verdict.UNJUDGED: FAINT,
}  # fmt: skip
_MARK = {
    Verdict.GOOD: '<circle cx="8" cy="8" r="6" fill="{c}"/>',
    Verdict.WATCH: '<circle cx="8" cy="8" r="6" fill="none" stroke="{c}" stroke-width="1.6"/><path d="M8 2a6 6 0 0 1 0 12z" fill="{c}"/>',
    Verdict.BAD: '<path d="M8 1l7 7-7 7-7-7z" fill="{c}"/>',
    Verdict.UNSURE: '<path d="M1 9c2-5 4-5 6 0s4 5 7-1" fill="none" stroke="{c}" stroke-width="2.4"/>',
    Verdict.STOP: '<rect x="1.5" y="1.5" width="13" height="13" fill="{c}"/>',
    Verdict.UNJUDGED: '<path d="M2 8h3M7 8h2M11 8h3" fill="none" stroke="{c}" stroke-width="2.4"/>',
}


def mark(verdict: Verdict | None) -> str:
    """A verdict by its shape, as SVG; a plain tick where nothing judges it.

    >>> mark(Verdict.BAD).startswith("<svg")
    True
    """
    shape = _MARK[verdict].format(c=TONE[verdict]) if verdict is not None else f'<path d="M2 9l4 4 8-10" fill="none" stroke="{INK}"/>'
    return f'<svg width="14" height="14" viewBox="0 0 16 16">{shape}</svg>'


@dataclass(frozen=True, slots=True)
class _Scale:
    start: float
    end: float
    one_sided: bool

    def x(self, value: float) -> float:
        return round(min(max((value - self.start) / (self.end - self.start), 0), 1) * WIDE, 2)


def _present(numbers: Iterable[float | None]) -> list[float]:
    return [one for one in numbers if one is not None]


def _scale(finding: Finding) -> _Scale | None:
    limits = _present([finding.low, finding.watch_low, finding.nominal, finding.watch_high, finding.high])
    if not limits:
        return None
    one_sided = finding.low is None and finding.watch_low is None
    lowest, highest = (0.0 if one_sided else min(limits)), max(limits)
    span = (highest - lowest) or abs(highest) * 0.2 or 1
    near = [abs(one) if one_sided else one for one in _present([finding.value, *(finding.band or ())])]
    reach = [one for one in near if lowest - span * 1.5 < one < highest + span * 1.5]
    start = 0.0 if one_sided else max(0.0, min([lowest, *reach]) - span * 0.25)
    return _Scale(start, max([highest, *reach]) + span * (0.15 if one_sided else 0.25), one_sided)


def tape(finding: Finding) -> str:
    """The tape of a finding, or nothing where it has no limit to lay on one.

    >>> from outer_test.rules.capacitors import cap_bench
    >>> from outer_test.measurement import measure
    >>> "<svg" in tape(cap_bench(measure("50.4"), 55, 6))
    True
    """
    scale = _scale(finding)
    if scale is None:
        return ""
    low, high = (
        finding.low if finding.low is not None else finding.watch_low,
        finding.high if finding.high is not None else finding.watch_high,
    )
    good = (_first(finding.watch_low, finding.low, scale.start), _first(finding.watch_high, finding.high, scale.end))
    x, parts = scale.x, [_rect(0, TOP, WIDE, DEEP, PANEL)]
    if low is not None:
        parts.append(_rect(x(low), TOP, x(good[0]) - x(low), DEEP, OCHRE_TINT))
    if high is not None:
        parts.append(_rect(x(good[1]), TOP, x(high) - x(good[1]), DEEP, OCHRE_TINT))
    parts.append(_rect(x(good[0]), TOP, x(good[1]) - x(good[0]), DEEP, LEAF_TINT))
    parts.append(f'<rect x="0" y="{TOP}" width="{WIDE}" height="{DEEP}" fill="none" stroke="{RULE}"/>')
    if finding.nominal is not None:
        parts.append(f'<path d="M{x(finding.nominal)} {TOP}v{DEEP}" stroke="{FAINT}" stroke-width="1.6"/>')
    parts += [f'<path d="M{x(one)} {TOP - 2}v{DEEP + 4}" stroke="{LEAF}" stroke-width="2"/>' for one in (low, high) if one is not None]
    parts += _reading(finding, scale)
    return f'<svg class="tape" viewBox="-8 0 {WIDE + 16} 30" width="{WIDE}" height="28">{"".join(parts)}</svg>'


def _reading(finding: Finding, scale: _Scale) -> list[str]:
    if finding.value is None:
        return []
    shown, tone = abs(finding.value) if scale.one_sided else finding.value, TONE[finding.verdict]
    at = scale.x(shown)
    if not scale.start <= shown <= scale.end:
        side = -1 if shown < scale.start else 1
        return [f'<path d="M{at + side * 7} {TOP + DEEP / 2}l{-side * 14} -9v18z" fill="{tone}"/>']
    drawn = []
    if finding.band is not None:
        ends = [scale.x(abs(one) if scale.one_sided else one) for one in finding.band]
        drawn.append(_rect(min(ends), 2, max(max(ends) - min(ends), 2), 3, tone, 0.55))
    drawn.append(f'<path d="M{at} {TOP}v{DEEP}" stroke="{tone}" stroke-width="2"/>')
    drawn.append(f'<path d="M{at - 5} 0h10l-5 {TOP}z" fill="{tone}"/>')
    return drawn


def _first(*numbers: float | None) -> float:
    return next(one for one in numbers if one is not None)


def _rect(x: float, y: float, width: float, height: float, fill: str, opacity: float = 1) -> str:
    return f'<rect x="{x}" y="{y}" width="{max(round(width, 2), 0)}" height="{height}" fill="{fill}" opacity="{opacity}"/>'
