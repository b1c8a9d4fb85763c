"""Who the demo company is: made-up people, meters and stock."""

from typing import Any

COMPANY: dict[str, Any] = {
    "name": "Tern Hollow Heating & Air",
    "letterhead": "3 Weir Road, Hollow Cross\nAn invented company, with invented readings",
    "rules": {"capacitor_limit": "label", "decision": "shared-risk", "replacement": "same"},
    "meters": {
        "clamp meter": {
            "accuracy": {
                "uf": [{"pct": 1.9, "counts": 2, "top": 100}, {"pct": 3.0, "counts": 5, "top": 4000}],
                "v": {"pct": 1.0, "counts": 3, "top": 600}, "vdc": {"pct": 0.7, "counts": 2, "top": 600},
                "a": {"pct": 2.0, "counts": 5, "top": 400},
                "ohm": [{"pct": 0.9, "counts": 2, "top": 600}, {"pct": 1.5, "counts": 3, "top": 40000000}],
            },
            "due": "2028-06-30",
        },
        "pocket meter": {
            "accuracy": {"uf": {"pct": 3.0, "counts": 5, "top": 200}, "v": {"pct": 1.5, "counts": 5, "top": 600}}, "due": "2026-03-31",
        },
        "insulation tester": {"accuracy": {"mohm": {"pct": 3.0, "counts": 5, "top": 2000}}, "due": None},
    },
}  # fmt: skip
VAN: list[dict[str, Any]] = [
    {"uf": 55, "fan_uf": 7.5, "vac": 440, "count": 1}, {"uf": 45, "fan_uf": 5, "vac": 440, "count": 2},
    {"uf": 35, "fan_uf": 5, "vac": 440, "count": 2}, {"uf": 40, "fan_uf": 5, "vac": 370, "count": 1},
    {"uf": 50, "vac": 440, "count": 1}, {"uf": 35, "vac": 440, "count": 1}, {"uf": 30, "vac": 440, "count": 1},
    {"uf": 7.5, "vac": 440, "count": 2}, {"uf": 5, "vac": 440, "count": 3}, {"uf": 4, "vac": 440, "count": 1},
    {"uf": 189, "vac": 330, "duty": "start", "count": 1},
]  # fmt: skip
TECHNICIANS = (("wren", "Wren", "Hartle", "technician"), ("odo", "Odo", "Pennick", "technician"))
LEAD = ("marlow", "Marlow", "Teasel", "lead")
