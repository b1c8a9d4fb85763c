"""Closing up."""

from outer_test.judgement import Part
from outer_test.visit.points.record import Point
from outer_test.visit.thing import Feed

BUTTON_UP = (
    Point(
        "button.terminals", "button", "dead", Part.UNIT, "Terminals", "terminals",
        "Tug each one, dead.",
        choices_text="tight loose", say="terminals",
    ),
    Point(
        "button.sensors", "button", "dead", Part.UNIT, "Sensors", "sensors",
        "Coil sensor home in its well, leads tied.",
        choices_text="tied loose none", say="sensors",
    ),
    Point(
        "button.panels", "button", "any", Part.UNIT, "Panels", "panels",
        "All panels and their screws.",
        choices_text="on off", say="panels|panel",
    ),
    Point(
        "button.final_run", "button", "live", Part.UNIT, "Final run", "final run",
        "Power up and watch a whole start: amps, noise, both fans.",
        choices_text="good trouble", fed_by=Feed.LINE | Feed.COMPRESSOR | Feed.FAN, say="final run|final",
    ),
)  # fmt: skip
