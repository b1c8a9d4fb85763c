"""The demo's units and visits: made-up streets, labels and readings. One fault each, one healthy, one unreadable plate."""

from typing import Any

from setup.demo_history import FELL, QUARRY

# An entry is (point, value) or (point, value, tags); ("power", "live") says that the unit was powered up.
Entry = tuple[str, str] | tuple[str, str, dict[str, Any]]

_DEAD: list[Entry] = [
    ("safe.tester_before", "yes"), ("safe.line.v", "0.3"), ("safe.l1_ground.v", "0.2"), ("safe.l2_ground.v", "0.2"),
    ("safe.load.v", "0.0"), ("safe.load_l1_ground.v", "0.1"), ("safe.load_l2_ground.v", "0.1"), ("safe.tester_after", "yes"),
]  # fmt: skip
_BLED: list[Entry] = [("safe.c_herm.vdc", "0.4"), ("safe.c_fan.vdc", "0.1"), ("safe.herm_fan.vdc", "0.4")]
_LOOKED: list[Entry] = [
    ("look.contactor.faces", "clean"), ("look.contactor.insects", "none"), ("look.wiring", "sound"), ("look.coil.face", "clear"),
]  # fmt: skip
_SOUND: list[Entry] = [*_LOOKED, ("look.sensor.seat", "seated")]
_GROUNDS: list[Entry] = [(f"winding.{terminal}_ground.ohm", "OL") for terminal in "crs"]
_CLOSED: list[Entry] = [("button.terminals", "tight"), ("button.sensors", "tied"), ("button.panels", "on"), ("button.final_run", "good")]
_LINE: list[Entry] = [("line.l1_l2.v", "238"), ("line.l1_ground.v", "119"), ("line.l2_ground.v", "119"), ("control.r_c.v", "26.4")]
_LIVE: Entry = ("power", "live")


def _dual(herm: float, fan: float, vac: int = 440) -> dict[str, Any]:
    return {"herm_uf": herm, "fan_uf": fan, "vac": vac, "tolerance_pct": 6}


def _plate(rla: float, lra: float, fla: float, mca: float, mop: int, **more: Any) -> dict[str, Any]:
    """A plate with what every plate of the demo has."""
    compressor = {"rla": rla, "lra": lra, "kind": "scroll"} | more.pop("compressor", {})
    base = {
        "volts": [208, 230], "hz": 60, "phase": 1, "compressor": compressor, "fan": {"fla": fla}, "mca": mca, "mop": mop,
        "protection_a": mop, "conductor_awg": 10, "contactor": {"poles": 2, "amps": 40, "coil_v": 24}, "valve": "O",
    }  # fmt: skip
    return base | more


_SWITCH = {"control": "time-temperature", "minutes": 60, "closes_f": 32, "opens_f": 57, "limit_min": 10}

_QUARRY = _plate(
    18.6, 102, 1.1, 24.4, 40, volts_min=197, volts_max=253, refrigerant="R-410A", made_year=2016, made_week=22,
    run_capacitor=_dual(55, 7.5), aux_heat={"kind": "electric", "elements": [{"kw": 5, "volts": 240}]}, defrost={"control": "demand"},
)  # fmt: skip
_FELL = _plate(
    13.6, 72, 0.8, 17.8, 30, run_capacitor=_dual(35, 5, 370), contactor={"poles": 1, "amps": 30, "coil_v": 24}, defrost=_SWITCH
)  # fmt: skip
_MILLRACE = {
    "volts": [230], "hz": 60, "phase": 1, "compressor": {"rla": 15.4, "kind": "reciprocating"}, "fan": {"fla": 1.3}, "mca": 20.6,
    "mop": 35, "protection_a": 40, "conductor_awg": 12, "run_capacitor": {"form": "singles", "vac": 370},
    "start_capacitor": {"low_uf": 161, "high_uf": 193, "vac": 250}, "start_device": "relay",
    "unreadable": ["run_capacitor.herm_uf", "run_capacitor.fan_uf", "compressor.lra"],
}  # fmt: skip
_ORCHARD = _plate(12.8, 0, 0.9, 17, 25, compressor={"kind": "inverter"}, fan={"fla": 0.9, "kind": "electronic"})
del _ORCHARD["compressor"]["lra"]
_TANNERY = _plate(
    16.7, 79, 1.0, 21.9, 35, run_capacitor=_dual(45, 5), defrost=_SWITCH | {"minutes": 90},
    aux_heat={"kind": "electric", "elements": [{"kw": 4.8, "volts": 240}, {"kw": 4.8, "volts": 240}], "protection_a": 50, "blower_fla": 0},
)  # fmt: skip
_KILN = _plate(
    22.4, 118, 1.4, 29.4, 50, compressor={"stages": 2}, run_capacitor=_dual(70, 10), conductor_awg=8, defrost={"control": "demand"},
)  # fmt: skip
_LOCK = _plate(14.1, 77, 1.2, 18.8, 30, compressor={"kind": "reciprocating"}, run_capacitor=_dual(40, 5), valve="B", defrost=_SWITCH)
_FOLD = _plate(15.9, 84, 1.1, 21, 35, run_capacitor={"herm_uf": 40, "fan_uf": 5, "vac": 440, "form": "singles"}, defrost=_SWITCH)

_TANNERY_DEAD: list[Entry] = [
    *_DEAD, *_BLED, ("look.capacitor.case", "flat"), *_LOOKED, ("cap.herm.uf", "44.6"), ("cap.fan.uf", "4.9"), ("contactor.coil.ohm", "11.2"),
    ("winding.at", "plug"), *_GROUNDS, ("winding.c_r.ohm", "0.72"), ("winding.c_s.ohm", "1.94"), ("winding.r_s.ohm", "2.66"),
    ("winding.shell.f", "58"),
]  # fmt: skip
_TANNERY_LIVE: list[Entry] = [
    _LIVE, *_LINE, ("control.y_in.v", "26.1"), ("control.y_out.v", "25.8"), ("contactor.coil.v", "25.6"), ("contactor.armature", "in"),
    ("contactor.pole1.drop_v", "0.03"), ("contactor.pole1.a", "13.9"), ("contactor.pole2.drop_v", "0.04"), ("contactor.pole2.a", "13.8"),
    ("amps.compressor.peak_a", "71", {"by": "inrush", "fitted": "none"}), ("start.result", "started"), ("amps.compressor.start_s", "0.3"),
    ("amps.compressor.run_a", "13.1"), ("amps.fan.run_a", "8.0", {"turns": 10}), ("amps.total.run_a", "13.9"), ("cap.herm.load_a", "29.6", {"turns": 5}),
    ("cap.herm.load_v", "352"), ("aux.line.v", "236"), ("amps.element1.a", "19.4"), ("amps.element2.a", "19.6"), ("record.air_in.f", "68.0"),
    ("record.air_out.f", "91.5"), *_CLOSED,
]  # fmt: skip

UNITS: list[dict[str, Any]] = [
    {
        "key": "quarry", "site": "Quarry Lane 8", "address": "8 Quarry Lane, Upper Tern", "label": "north pad", "serial": "TH-0417",
        "plate": _QUARRY,
        "visits": [*QUARRY, {
            "technician": "wren", "minute": 545, "complaint": "hums-no-start", "began": "suddenly",
            "notes": "No heat since last evening. Hums for a few seconds, then stops.", "conditions": {"outdoor_f": 31}, "dead": True,
            "entries": [*_DEAD, *_BLED, ("look.capacitor.case", "dished"), *_SOUND, ("cap.herm.uf", "50.4"), ("cap.fan.uf", "7.4")],
        }],
    },
    {
        "key": "fell", "site": "Fell Road 21", "address": "21 Fell Road, Upper Tern", "label": "side yard", "serial": "TH-0233",
        "plate": _FELL,
        "visits": [*FELL, {"technician": "wren", "minute": 660, "complaint": "maintenance", "notes": "Yearly visit. Gate code is with the office."}],
    },
    {
        "key": "millrace", "site": "Millrace Cottage", "address": "2 Weir Path, Tern Bottom", "label": "behind the shed", "serial": "TH-0098",
        "plate": _MILLRACE,
        "visits": [{
            "technician": "wren", "minute": 800, "complaint": "fan-stopped", "began": "slowly",
            "notes": "Label on the north side has rusted away.", "dead": True, "entries": [*_DEAD, ("cap.herm.uf", "38.6"), ("cap.fan.uf", "2.1")],
        }],
    },
    {
        "key": "kiln", "site": "Kiln Row 5", "address": "5 Kiln Row, Hollow Cross", "label": "gable end", "serial": "TH-0388", "plate": _KILN,
        "visits": [{
            "technician": "wren", "minute": 880, "complaint": "compressor-stopped", "began": "slowly", "conditions": {"outdoor_f": 44},
            "notes": "Cuts out in the afternoon. Contactor was changed two winters ago.",
            "entries": [
                _LIVE, *_LINE, ("control.y_in.v", "25.9"), ("control.y_out.v", "25.4"), ("contactor.coil.v", "25.2"), ("contactor.armature", "in"),
                ("contactor.pole1.drop_v", "0.04"), ("contactor.pole1.a", "18.2"), ("contactor.pole2.drop_v", "0.31"), ("contactor.pole2.a", "18.1"),
                ("contactor.pole1.f", "88"), ("contactor.pole2.f", "141"), ("amps.stage", "high"), ("amps.compressor.run_a", "17.0"),
                ("amps.fan.run_a", "1.2"), ("amps.total.run_a", "18.3"),
            ],
        }],
    },
    {
        "key": "orchard", "site": "Orchard Bank 3", "address": "3 Orchard Bank, Hollow Cross", "label": "roof frame", "serial": "TH-0502",
        "plate": _ORCHARD, "visits": [{"technician": "odo", "minute": 600, "complaint": "high-bill"}],
    },
    {
        "key": "tannery", "site": "Tannery Yard 14", "address": "14 Tannery Yard, Tern Bottom", "label": "unit B", "serial": "TH-0311",
        "plate": _TANNERY, "fitted": [{"section": "both", "uf": 45, "fan_uf": 5, "vac": 440, "tolerance_pct": 6}],
        "contactor_fitted": {"poles": 2, "amps": 40, "coil_v": 24},
        "visits": [
            {
                "technician": "odo", "days_ago": 371, "minute": 540, "complaint": "maintenance", "dead": True, "finished": True,
                "conditions": {"outdoor_f": 52}, "entries": [*_TANNERY_DEAD[:15], ("cap.herm.uf", "45.3"), *_TANNERY_DEAD[17:]],
            },
            {
                "technician": "odo", "minute": 480, "complaint": "maintenance", "dead": True, "finished": True,
                "conditions": {"outdoor_f": 41}, "entries": [*_TANNERY_DEAD, *_TANNERY_LIVE],
            },
        ],
    },
    {
        "key": "lock", "site": "Lock Cottage 1", "address": "1 Towpath, Tern Bottom", "label": "canal side", "serial": "TH-0127", "plate": _LOCK,
        "visits": [{
            "technician": "odo", "minute": 720, "complaint": "trips-breaker", "began": "suddenly", "dead": True,
            "notes": "Trips the breaker at once.", "conditions": {"outdoor_f": 38},
            "entries": [
                *_DEAD, *_BLED, ("line.breaker", "tripped"), ("cap.herm.uf", "39.7"), ("cap.fan.uf", "5.0"), ("winding.at", "plug"),
                ("winding.c_ground.ohm", "2300"),
            ],
        }],
    },
    {
        "key": "fold", "site": "Fold Lane 12", "address": "12 Fold Lane, Upper Tern", "label": "yard", "serial": "TH-0264", "plate": _FOLD,
        "visits": [{
            "technician": "odo", "minute": 840, "complaint": "nothing-at-all", "began": "suddenly",
            "notes": "Display at the thermostat is lit.", "conditions": {"outdoor_f": 36},
            "entries": [
                _LIVE, *_LINE, ("control.stat_r_c.v", "26.2"), ("control.y_in.v", "26.0"), ("control.delay", "over"),
                ("control.pressure", "closed"), ("control.y_out.v", "0.3"), ("contactor.coil.v", "0.2"), ("contactor.armature", "out"),
            ],
        }],
    },
]  # fmt: skip
