"""Earlier visits of two of the demo's units, so that a record has years in it. Invented, like all of the demo."""

from typing import Any

YEAR = 365


def _then(years: int, technician: str, outdoor_f: int, *entries: tuple[str, str]) -> dict[str, Any]:
    """A maintenance visit so many years ago, finished."""
    return {
        "technician": technician, "days_ago": YEAR * years + 9, "minute": 560, "complaint": "maintenance", "finished": True,
        "conditions": {"outdoor_f": outdoor_f}, "entries": list(entries),
    }  # fmt: skip


def _quarry(herm: str, fan: str, amps: str, coil: str, drop: str) -> tuple[tuple[str, str], ...]:
    return (
        ("cap.herm.uf", herm), ("cap.fan.uf", fan), ("contactor.coil.ohm", coil), ("winding.c_ground.ohm", "OL"),
        ("contactor.armature", "in"), ("contactor.pole1.drop_v", drop), ("amps.compressor.run_a", amps),
    )  # fmt: skip


QUARRY = [
    _then(6, "odo", 47, *_quarry("55.6", "7.6", "15.9", "11.4", "0.02")),
    _then(5, "odo", 51, *_quarry("55.1", "7.6", "15.7", "11.5", "0.02")),
    _then(4, "wren", 44, *_quarry("54.4", "7.5", "16.2", "11.4", "0.03")),
    _then(3, "wren", 49, *_quarry("53.8", "7.5", "16.0", "11.4", "0.03")),
    _then(2, "odo", 40, *_quarry("53.0", "7.5", "16.3", "11.5", "0.04")),
    _then(1, "wren", 46, *_quarry("52.1", "7.4", "16.4", "11.4", "0.04")),
]
FELL = [
    _then(4, "wren", 55, ("cap.herm.uf", "35.3"), ("cap.fan.uf", "5.1"), ("contactor.coil.ohm", "9.8")),
    _then(3, "wren", 50, ("cap.herm.uf", "35.0"), ("cap.fan.uf", "5.0"), ("contactor.coil.ohm", "9.9")),
    _then(2, "odo", 43, ("cap.herm.uf", "34.6"), ("cap.fan.uf", "4.9"), ("contactor.coil.ohm", "9.8")),
    _then(1, "odo", 52, ("cap.herm.uf", "34.3"), ("cap.fan.uf", "4.8"), ("contactor.coil.ohm", "9.8")),
]
