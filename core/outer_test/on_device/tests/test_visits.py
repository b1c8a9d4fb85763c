"""What is shown first is what the whole answer says of each reading."""

import json
import unittest
from typing import Any

from outer_test.on_device import Visits

PLATE = {"run_capacitor": {"herm_uf": 55, "fan_uf": 7.5, "vac": 440, "tolerance_pct": 6}}
RECORD = {
    "place": 3,
    "known": {"plate": PLATE, "complaint": "hums-no-start"},
    "events": [],
    "names": {"1": "S. Ames"},
    "me": 1,
    "device": "d",
}


def done(number: int, **act: Any) -> dict[str, Any]:
    return {"id": f"00000000-0000-4000-8000-{number:012}", "at": f"2027-01-14T09:{number:02}:00Z", "seq": number, "after": 3, "act": act}


def of_points(said: list[dict[str, Any]], points: list[str]) -> list[dict[str, Any]]:
    return [one for one in said if one["point"] in points]


class First(unittest.TestCase):
    def test_it_is_part_of_the_whole(self) -> None:
        visits = Visits()
        visits.keep("v", json.dumps(RECORD))
        acts = [
            done(1, kind="power", state="dead-claimed"),
            done(2, kind="reading", point="cap.herm.uf", typed="43.8"),
            done(3, kind="reading", point="cap.fan.uf", typed="7.4"),
            done(4, kind="reading", point="winding.c_ground.ohm", typed="12"),
            done(5, kind="reading", point="cap.herm.uf", typed="nonsense"),
        ]
        for count in range(len(acts) + 1):
            text = json.dumps(acts[:count])
            first, whole = json.loads(visits.judge_first("v", text)), json.loads(visits.judge("v", text))
            self.assertEqual(first["outcomes"], whole["outcomes"])
            verdicts, there = first["verdicts"], whole["round"]
            points = verdicts.pop("points")
            there["entries"] = of_points(there["entries"], points)
            there |= there["assessment"] | {"findings": of_points(there["assessment"]["findings"], points)}
            self.assertEqual(verdicts, {name: there[name] for name in verdicts})
            written = {act["act"]["point"] for act in acts[count - 1 : count] if act["act"].get("typed", "nonsense") != "nonsense"}
            stops = {stop[name] for stop in there["assessment"]["stops"] for name in ("point", "raised_by")}
            self.assertEqual(set(points), written | stops)
        self.assertEqual(first["verdicts"]["overall"], "stop")
        self.assertNotIn("diagnosis", first["verdicts"])
