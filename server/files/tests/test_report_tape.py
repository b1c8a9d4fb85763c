"""The tape on paper: measured off its SVG, every mark stands where its number does."""

import re
import xml.etree.ElementTree as ET

from django.test import SimpleTestCase
from hypothesis import given
from hypothesis import strategies as st

from files.report_tape import LEAF, TONE, WIDE, mark, tape
from outer_test.judgement import Finding, Verdict
from outer_test.measurement import Accuracy, measure
from outer_test.rules.capacitors import cap_bench
from outer_test.rules.contactor import pole_drop


def limits(svg: str) -> list[float]:
    """Where the limits stand: the green strokes that pass beyond the strip."""
    return [float(x) for x in re.findall(rf'<path d="M([\d.]+) 6v22" stroke="{LEAF}"', svg)]


def pointer(svg: str, verdict: Verdict) -> float:
    """Where the reading's line stands."""
    found = re.search(rf'<path d="M([\d.]+) 8v18" stroke="{TONE[verdict]}" stroke-width="2"/>', svg)
    assert found is not None, svg
    return float(found[1])


class Tape(SimpleTestCase):
    @given(st.integers(4500, 6500))
    def test_the_reading_lies_between_its_limits_exactly_when_it_does(self, hundredths: int) -> None:
        found = cap_bench(measure(f"{hundredths / 100:.2f}"), 55, 6)
        svg = tape(found)
        low, high = limits(svg)
        at = pointer(svg, Verdict(found.verdict or ""))
        assert found.low is not None
        assert found.high is not None
        assert found.value is not None
        self.assertEqual(low < at < high, found.low < found.value < found.high)
        # The strip is straight: the reading's place between the limits is its share of the way.
        self.assertAlmostEqual((at - low) / (high - low), (found.value - found.low) / (found.high - found.low), delta=0.01)

    def test_far_off_it_is_an_arrow_at_the_end(self) -> None:
        for value, end in (("2.0", 0), ("140", WIDE)):
            svg = tape(cap_bench(measure(value), 55, 6))
            tip = re.search(r'<path d="M(-?[\d.]+) 17\.0l', svg)
            assert tip is not None
            self.assertAlmostEqual(float(tip[1]), end, delta=8)
            self.assertNotIn("8v18", svg.split('stroke-width="1.6"/>')[-1].replace(f'stroke="{LEAF}"', ""))

    def test_the_whisker_is_the_meters_band(self) -> None:
        fine, coarse = (tape(cap_bench(measure("54.0", Accuracy(pct, 1)), 55, 6)) for pct in (0.5, 3))
        widths = [float(re.findall(r'y="2" width="([\d.]+)"', svg)[0]) for svg in (fine, coarse)]
        self.assertGreater(widths[1], 4 * widths[0])

    def test_a_one_sided_limit_begins_at_nothing(self) -> None:
        found = pole_drop(measure("0.03"))
        svg = tape(found)
        self.assertLess(pointer(svg, Verdict(found.verdict or "")), limits(svg)[0])

    def test_nothing_to_lay_it_on(self) -> None:
        self.assertEqual(tape(Finding("look.wiring", "wiring", Verdict.BAD, "rubbed")), "")

    def test_every_shape_is_whole_and_its_own(self) -> None:
        drawn = [mark(one) for one in (*Verdict, None)]
        self.assertEqual(len(set(drawn)), len(drawn))
        for svg in (*drawn, tape(cap_bench(measure("50.4"), 55, 6))):
            self.assertEqual(ET.fromstring(svg).tag, "svg")
