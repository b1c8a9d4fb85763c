"""Who and what the demo company is: made-up people, streets, units and readings."""

from typing import Any

COMPANY: dict[str, Any] = {
    "name": "Tern Hollow Heating & Air",
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
    "van_stock": [
        {"uf": 55, "fan_uf": 7.5, "vac": 440, "count": 1}, {"uf": 45, "fan_uf": 5, "vac": 440, "count": 2},
        {"uf": 35, "fan_uf": 5, "vac": 440, "count": 2}, {"uf": 40, "fan_uf": 5, "vac": 370, "count": 1},
        {"uf": 50, "vac": 440, "count": 1}, {"uf": 35, "vac": 440, "count": 1}, {"uf": 30, "vac": 440, "count": 1},
        {"uf": 7.5, "vac": 440, "count": 2}, {"uf": 5, "vac": 440, "count": 3}, {"uf": 4, "vac": 440, "count": 1},
        {"uf": 189, "vac": 330, "duty": "start", "count": 1},
    ],
}  # fmt: skip
TECHNICIANS = (("wren", "Wren", "Hartle", "technician"), ("odo", "Odo", "Pennick", "technician"))
LEAD = ("marlow", "Marlow", "Teasel", "lead")

_DEAD: list[tuple[str, str]] = [
    ("safe.tester_before", "yes"), ("safe.line.v", "0.3"), ("safe.l1_ground.v", "0.2"), ("safe.l2_ground.v", "0.2"),
    ("safe.load.v", "0.0"), ("safe.load_l1_ground.v", "0.1"), ("safe.load_l2_ground.v", "0.1"), ("safe.tester_after", "yes"),
]  # fmt: skip
_BLED: list[tuple[str, str]] = [("safe.c_herm.vdc", "0.4"), ("safe.c_fan.vdc", "0.1"), ("safe.herm_fan.vdc", "0.4")]
_SOUND: list[tuple[str, str]] = [
    ("look.contactor.faces", "clean"), ("look.contactor.insects", "none"), ("look.wiring", "sound"),
    ("look.coil.face", "clear"), ("look.sensor.seat", "seated"),
]  # fmt: skip

UNITS: list[dict[str, Any]] = [
    {
        "key": "quarry", "site": "Quarry Lane 8", "address": "8 Quarry Lane, Upper Tern", "label": "north pad", "serial": "TH-0417",
        "plate": {
            "volts": [208, 230], "volts_min": 197, "volts_max": 253, "hz": 60, "phase": 1,
            "compressor": {"rla": 18.6, "lra": 102, "kind": "scroll", "stages": 1}, "fan": {"fla": 1.1},
            "mca": 24.4, "mop": 40, "protection_a": 40, "conductor_awg": 10, "refrigerant": "R-410A", "made_year": 2016, "made_week": 22,
            "run_capacitor": {"herm_uf": 55, "fan_uf": 7.5, "vac": 440, "tolerance_pct": 6},
            "contactor": {"poles": 2, "amps": 40, "coil_v": 24}, "valve": "O",
            "aux_heat": {"kind": "electric", "elements": [{"kw": 5, "volts": 240}]},
            "defrost": {"control": "demand"},
        },
        "visit": {
            "technician": "wren", "minute": 545, "complaint": "hums-no-start", "began": "suddenly",
            "notes": "No heat since last evening. Hums for a few seconds, then stops.", "conditions": {"outdoor_f": 31},
            "dead": True,
            "entries": [*_DEAD, *_BLED, ("look.capacitor.case", "dished"), *_SOUND, ("cap.herm.uf", "50.4"), ("cap.fan.uf", "7.4")],
        },
    },
    {
        "key": "fell", "site": "Fell Road 21", "address": "21 Fell Road, Upper Tern", "label": "side yard", "serial": "TH-0233",
        "plate": {
            "volts": [208, 230], "hz": 60, "phase": 1, "compressor": {"rla": 13.6, "lra": 72, "kind": "scroll", "stages": 1},
            "fan": {"fla": 0.8}, "mca": 17.8, "mop": 30, "protection_a": 30, "conductor_awg": 10,
            "run_capacitor": {"herm_uf": 35, "fan_uf": 5, "vac": 370, "tolerance_pct": 6},
            "contactor": {"poles": 1, "amps": 30, "coil_v": 24}, "valve": "O",
            "defrost": {"control": "time-temperature", "minutes": 60, "closes_f": 32, "opens_f": 57, "limit_min": 10},
        },
        "visit": {"technician": "wren", "minute": 660, "complaint": "maintenance", "notes": "Yearly visit. Gate code is with the office."},
    },
    {
        "key": "millrace", "site": "Millrace Cottage", "address": "2 Weir Path, Tern Bottom", "label": "behind the shed", "serial": "TH-0098",
        "plate": {
            "volts": [230], "hz": 60, "phase": 1, "compressor": {"rla": 15.4, "kind": "reciprocating"}, "fan": {"fla": 1.3},
            "mca": 20.6, "mop": 35, "protection_a": 40, "conductor_awg": 12,
            "run_capacitor": {"form": "singles", "vac": 370}, "start_capacitor": {"low_uf": 161, "high_uf": 193, "vac": 250},
            "start_device": "relay",
            "unreadable": ["run_capacitor.herm_uf", "run_capacitor.fan_uf", "compressor.lra"],
        },
        "visit": {"technician": "wren", "minute": 800, "complaint": "fan-stopped", "began": "slowly", "notes": "Label on the north side has rusted away."},
    },
    {
        "key": "orchard", "site": "Orchard Bank 3", "address": "3 Orchard Bank, Hollow Cross", "label": "roof frame", "serial": "TH-0502",
        "plate": {
            "volts": [208, 230], "hz": 60, "phase": 1, "compressor": {"rla": 12.8, "kind": "inverter"},
            "fan": {"fla": 0.9, "kind": "electronic"}, "mca": 17, "mop": 25, "protection_a": 25, "conductor_awg": 10,
            "contactor": {"poles": 2, "amps": 30, "coil_v": 24},
        },
        "visit": {"technician": "odo", "minute": 600, "complaint": "high-bill"},
    },
    {
        "key": "tannery", "site": "Tannery Yard 14", "address": "14 Tannery Yard, Tern Bottom", "label": "unit B", "serial": "TH-0311",
        "plate": {
            "volts": [208, 230], "hz": 60, "phase": 1, "compressor": {"rla": 16.7, "lra": 79, "kind": "scroll"}, "fan": {"fla": 1.0},
            "mca": 21.9, "mop": 35, "protection_a": 35, "conductor_awg": 10,
            "run_capacitor": {"herm_uf": 45, "fan_uf": 5, "vac": 440, "tolerance_pct": 6},
        },
        "fitted": [{"section": "both", "uf": 45, "fan_uf": 5, "vac": 440, "tolerance_pct": 6}],
        "visit": {
            "technician": "odo", "minute": 480, "complaint": "maintenance", "dead": True, "finished": True,
            "entries": [*_DEAD, *_BLED, ("look.capacitor.case", "flat"), *_SOUND, ("cap.herm.uf", "44.6"), ("cap.fan.uf", "4.9")],
        },
    },
]  # fmt: skip
