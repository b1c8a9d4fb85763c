"""The two sections of a unit's run capacitor: HERM starts the compressor, FAN the outdoor fan."""

from typing import Literal

Section = Literal["herm", "fan"]
SECTIONS: tuple[Section, ...] = ("herm", "fan")
SECTION_NAME = {"herm": "HERM", "fan": "FAN"}
