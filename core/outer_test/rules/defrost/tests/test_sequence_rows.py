"""The events of one defrost and what each lane must say, row by row from the trade handbook. Common practice, no source."""

import unittest
from dataclasses import replace
from typing import Any

from outer_test.judgement import Finding, Verdict
from outer_test.nameplate import ConfigLink, Defrost
from outer_test.rules.defrost import QUESTIONS, RunContext, sequence
from outer_test.visit import DefrostEvent

SWITCHED = Defrost(control="time-temperature", minutes=60, closes_f=30, opens_f=55, limit_min=10)
DEMAND = Defrost(control="demand", limit_min=10)
DELAYED = replace(DEMAND, shift_delay=True)
WHOLE = "forced 0, valve-shift 2, fan-off 2, aux-on 3, switch-open 240, ended 240, fan-on 241, valve-back 241, aux-off 242"


def told(events: str, defrost: Defrost = SWITCHED, **watch: Any) -> dict[str, Finding]:
    """What each lane says of `event seconds, event seconds, ...`; of what was not stamped, the person says that it did not happen."""
    run = []
    for word in events.split(","):
        event, seconds = word.split()
        run.append(DefrostEvent(float(seconds), event))  # type: ignore[arg-type]
    no = {event: "no" for event in QUESTIONS if event not in {one.event for one in run}}
    known: dict[str, Any] = {"aux_fitted": True, "watched_s": run[-1].s + 60, "answers": no}
    about = RunContext(**(known | watch))
    return {one.point.removeprefix("defrost.run."): one for one in sequence(run, defrost, about)}


def without(*names: str) -> str:
    """The whole run, but for these events."""
    return ", ".join(word for word in WHOLE.split(", ") if word.split()[0] not in names)


class Rows(unittest.TestCase):
    def row(self, lane: str, verdict: str, events: str = WHOLE, defrost: Defrost = SWITCHED, **watch: Any) -> None:
        found = told(events, defrost, **watch)[lane]
        with self.subTest(lane, events=events):
            self.assertEqual(found.verdict, verdict, found.why)
            self.assertTrue(found.why)
            if verdict in ("bad", "watch", "unsure"):
                self.assertTrue(found.next or found.causes, "what next is said")

    def test_a_healthy_defrost(self) -> None:
        self.assertEqual({one.verdict for one in told(WHOLE).values()}, {Verdict.GOOD})
        self.assertEqual({one.verdict for one in told(without("switch-open"), DEMAND).values()}, {Verdict.GOOD})

    def test_no_start_blames_the_board_only_with_everything_proved(self) -> None:
        proved: dict[str, Any] = {"heating_call": True, "right_pins": True, "switch_closed": True, "control_volts": True}
        self.row("start", "bad", "forced 0", watched_s=120, **proved)
        self.row("start", "bad", "forced 0", watched_s=120, **(proved | {"switch_closed": False, "jumpered": True}))
        for name in proved:
            self.row("start", "unsure", "forced 0", watched_s=120, **(proved | {name: False}))
            lacking = told("forced 0", watched_s=120, **(proved | {name: None}))["start"]
            self.assertTrue(lacking.needs)
        self.row("start", "unjudged", "forced 0", watched_s=5, **proved)

    def test_the_valve(self) -> None:
        still = without("valve-shift", "valve-back")
        self.row("valve", "bad", still, valve_fed=True, valve_coil_sound=True)
        self.row("valve", "bad", still, valve_coil_sound=False)
        self.row("valve", "bad", still, valve_fed=False)
        self.row("valve", "unsure", still)
        self.row("valve", "unsure", still, valve_fed=True)
        self.row("valve", "unjudged", still, lifted_lanes=frozenset({"valve"}))

    def test_the_valve_can_be_proved_without_the_board(self) -> None:
        still = without("valve-shift", "valve-back")
        self.assertIn("put the jumper on the list", told(still)["valve"].next)
        self.assertIn("put the jumper on the list", told(still, valve_fed=False)["valve"].next)

    def test_the_outdoor_fan(self) -> None:
        runs_on = without("fan-off", "fan-on")
        self.row("fan", "bad", runs_on)
        self.row("fan", "unjudged", runs_on, replace(SWITCHED, low_ambient_kit=True))
        self.row("fan", "unjudged", runs_on, lifted_lanes=frozenset({"fan"}))
        self.row("fan", "watch", WHOLE.replace("fan-off 2", "fan-off 20"))
        self.row("fan", "good", WHOLE.replace("fan-off 2", "fan-off 7"))
        self.row("fan", "good", without("fan-off"))

    def test_the_aux_call(self) -> None:
        silent = without("aux-on", "aux-off")
        self.row("aux", "unsure", silent)
        self.row("aux", "unsure", silent, aux_volts=True)
        self.row("aux", "bad", silent, aux_volts=False, control_volts=True)
        self.row("aux", "unsure", silent, aux_volts=False)
        self.row("aux", "unjudged", silent, answers={})
        self.row("aux", "good", silent, answers={"aux-on": "yes"})
        self.row("aux", "unjudged", silent, aux_fitted=False)
        self.row("aux", "unjudged", silent, lifted_lanes=frozenset({"aux"}))
        self.row("aux", "watch", "aux-on -60, " + without("aux-on"))
        self.row("aux", "good", "aux-on -300, aux-off -200, " + WHOLE)
        early = WHOLE.replace("valve-shift 2", "valve-shift 12").replace("fan-off 2", "fan-off 12")
        self.row("aux", "watch", early, replace(SWITCHED, shift_delay=False))

    def test_how_it_ends(self) -> None:
        by_time = without("switch-open").replace(
            "ended 240, fan-on 241, valve-back 241, aux-off 242", "ended 600, fan-on 601, valve-back 601, aux-off 602"
        )
        self.row("end", "watch", by_time, by_time=("low charge", "wind on the coil"))
        self.row("end", "good", by_time, jumpered=True)
        self.row("end", "good", "forced 0, valve-shift 2, fan-off 2, aux-on 3, ended 20, fan-on 21, valve-back 21, aux-off 22")
        self.row("end", "bad", by_time.replace("ended 600", "ended 720"))
        self.row("end", "watch", by_time.replace("ended 600", "ended 640"))
        self.row("end", "bad", without("ended", "fan-on", "valve-back", "aux-off", "switch-open"), watched_s=700)
        self.row("end", "unjudged", without("ended", "fan-on", "valve-back", "aux-off", "switch-open"), watched_s=300)
        opened = "forced 0, valve-shift 2, fan-off 2, aux-on 3, switch-open 200"
        self.row("end", "bad", opened, watched_s=300)
        self.row("end", "unjudged", opened, watched_s=300, jumpered=True)

    def test_without_a_limit_on_record_what_ends_under_any_boards_is_by_temperature(self) -> None:
        """No board's limit is under ten minutes less a late stamp; from there it is asked for. Common practice, no source."""
        unknown = replace(DEMAND, limit_min=None)
        for length, verdict in ((569.9, "good"), (570, "unjudged"), (602, "unjudged")):
            self.row("end", verdict, f"forced 0, valve-shift 0, fan-off 0, aux-on 1, ended {length}", unknown)
        found = told("forced 0, valve-shift 0, ended 602", unknown)["end"]
        self.assertEqual(found.needs, ("defrost.limit_min",))

    def test_its_own_limit_is_the_boards(self) -> None:
        late = WHOLE.replace("switch-open 240, ended 240", "ended 840").replace("241", "841").replace("242", "842")
        self.row("end", "bad", late)
        self.row("end", "good", late, replace(SWITCHED, limit_min=15))

    def test_a_fan_that_comes_first_is_waited_for(self) -> None:
        gone = without("valve-back", "aux-off")
        self.row("valve-back", "bad", gone, watched_s=300)
        self.row("valve-back", "unjudged", gone, answers={}, watched_s=300)
        late = WHOLE.replace("valve-back 241", "valve-back 320").replace("aux-off 242", "aux-off 320")
        self.row("valve-back", "watch", late)
        self.row("valve-back", "good", late, replace(SWITCHED, fan_first_s=90))

    def test_shift_delay(self) -> None:
        delayed = (
            "forced 0, contactor-open 1, valve-shift 16, fan-off 16, aux-on 17, contactor-close 31, ended 240, "
            "fan-on 241, valve-back 256, aux-off 257"
        )
        self.row("contactor", "good", delayed, DELAYED)
        self.row("contactor", "watch", delayed.replace("contactor-close 31", "contactor-close 80"), DELAYED)
        self.row("contactor", "unjudged", without("switch-open"), DELAYED)
        self.row("contactor", "watch", without("switch-open"), DELAYED, answers={"contactor-open": "no"})
        self.row("contactor", "unjudged", delayed, DEMAND)
        self.row("contactor", "watch", delayed, replace(DEMAND, shift_delay=False))
        linked = replace(DEMAND, links=(ConfigLink("J2", cut=None, when_cut="shift-delay"),))
        self.row("contactor", "unjudged", delayed, linked)
        self.row("contactor", "good", delayed, replace(linked, links=(ConfigLink("J2", cut=True, when_cut="shift-delay"),)))

    def test_what_never_went_need_not_come_back(self) -> None:
        lanes = told(without("fan-off", "fan-on"))
        self.assertNotIn("fan-back", lanes)
        self.assertIn("valve-back", lanes)

    def test_what_did_not_come_back(self) -> None:
        self.row("fan-back", "bad", without("fan-on"))
        self.row("valve-back", "bad", without("valve-back"))
        self.row("aux-back", "bad", without("aux-off"))
        self.row("fan-back", "unjudged", without("fan-on"), answers={})

    def test_a_run_that_was_not_forced_is_not_judged(self) -> None:
        self.assertEqual(told("valve-shift 2, ended 90"), {})
