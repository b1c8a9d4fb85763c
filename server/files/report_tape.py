"""The tape drawn for paper: the same strip, limits, nominal, whisker and pointer as on the screen, as SVG."""

from outer_test.judgement import Finding, Tape, Verdict

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


def tape(finding: Finding) -> str:
    """The tape of a finding, or nothing where it has no limit to lay on one.

    >>> from outer_test.rules.capacitors import cap_bench
    >>> from outer_test.measurement import measure
    >>> "<svg" in tape(cap_bench(measure("50.4"), 55, 6))
    True
    """
    strip = finding.tape
    if strip is None or finding.verdict is None:
        return ""
    parts = [_rect(0, TOP, WIDE, DEEP, PANEL)]
    parts += [_rect(_x(one.start), TOP, _x(one.end) - _x(one.start), DEEP, OCHRE_TINT) for one in strip.watch]
    parts.append(_rect(_x(strip.good_from), TOP, _x(strip.good_to) - _x(strip.good_from), DEEP, LEAF_TINT))
    parts.append(f'<rect x="0" y="{TOP}" width="{WIDE}" height="{DEEP}" fill="none" stroke="{RULE}"/>')
    if strip.nominal is not None:
        parts.append(f'<path d="M{_x(strip.nominal)} {TOP}v{DEEP}" stroke="{FAINT}" stroke-width="1.6"/>')
    parts += [f'<path d="M{_x(limit.at)} {TOP - 2}v{DEEP + 4}" stroke="{LEAF}" stroke-width="2"/>' for limit in strip.limits]
    parts += _reading(strip, TONE[finding.verdict])
    return f'<svg class="tape" viewBox="-8 0 {WIDE + 16} 30" width="{WIDE}" height="28">{"".join(parts)}</svg>'


def _x(place: float) -> float:
    return round(place * WIDE, 2)


def _reading(strip: Tape, tone: str) -> list[str]:
    if strip.reading is None:
        return []
    at = _x(strip.reading)
    if strip.off:
        return [f'<path d="M{at + strip.off * 7} {TOP + DEEP / 2}l{-strip.off * 14} -9v18z" fill="{tone}"/>']
    drawn = []
    if strip.whisker is not None:
        start, end = _x(strip.whisker.start), _x(strip.whisker.end)
        drawn.append(f'<rect x="{start}" y="2" width="{round(max(end - start, 2), 2)}" height="3" fill="{tone}" opacity="0.55"/>')
    drawn.append(f'<path d="M{at} {TOP}v{DEEP}" stroke="{tone}" stroke-width="2"/>')
    drawn.append(f'<path d="M{at - 5} {TOP - 8}h10l-5 8z" fill="{tone}"/>')
    return drawn


def _rect(x: float, y: float, wide: float, high: float, fill: str) -> str:
    return f'<rect x="{x}" y="{y}" width="{round(max(wide, 0), 2)}" height="{high}" fill="{fill}"/>'
