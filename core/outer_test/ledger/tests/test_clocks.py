"""Any clocks: devices hours off, clocks that jump, any order of arrival, deliveries doubled. Same events, same visit; and a unit is
never held dead after somebody had it live.

The world is simulated with a true time that no rule sees: only clocks, counts, arrivals and what had reached a device.
"""

from dataclasses import dataclass, field, replace
from datetime import UTC, datetime, timedelta
from typing import Any
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from outer_test.assessment import power_of
from outer_test.ledger import Event, Kind, SeenAt, kind_of, settled, visit_of, within
from outer_test.rules.make_safe import TESTER
from outer_test.visit import PowerEvent, Reading, Visit, absence_points

BEGAN = datetime(2027, 1, 14, 9, tzinfo=UTC)
PROOF: list[Any] = [SeenAt(TESTER[0], "yes"), *(Reading(point, "0.2") for point in absence_points(Visit())), SeenAt(TESTER[1], "yes")]
DANGERS: list[Any] = [PowerEvent("live"), Reading("safe.line.v", "241"), Reading("line.l1_l2.v", "239")]
OTHERS: list[Any] = [PowerEvent("dead-claimed"), Reading("cap.herm.uf", "39.9"), SeenAt("look.capacitor.case", "flat")]


@dataclass
class Device:
    """A device with a clock of its own: so far off, and by how much it jumped since."""

    name: str
    off: timedelta
    seq: int = 0
    knows: int = 0
    waiting: list[tuple[Any, int, datetime, int]] = field(default_factory=list)


class Server:
    """Takes events as the ledger does: a place each, the time corrected by the clock at the contact, held within the device."""

    def __init__(self) -> None:
        self.events: list[Event] = []

    def take(self, device: Device, true_now: datetime) -> None:
        """A contact: what waits is delivered, and the device learns what is there."""
        for body, seq, device_at, after in device.waiting:
            time = settled(device_at, true_now + device.off, true_now)
            own = sorted((event for event in self.events if event.device == device.name), key=lambda event: event.seq)
            before = next((event.at for event in reversed(own) if event.seq < seq), None)
            later = next((event.at for event in own if event.seq > seq), None)
            place = len(self.events) + 1
            at = within(time, before, later)
            self.events.append(Event(f"{device.name}{seq}", kind_of(body), body, at, device.name, seq, place, after))
        device.waiting = []
        device.knows = len(self.events)


acts = st.one_of(
    st.tuples(st.just("write"), st.integers(0, 2), st.sampled_from(range(len(DANGERS) + len(OTHERS)))),
    st.tuples(st.just("prove"), st.integers(0, 2), st.just(0)),
    st.tuples(st.just("prove a part"), st.integers(0, 2), st.integers(1, len(PROOF) - 1)),
    st.tuples(st.just("contact"), st.integers(0, 2), st.just(0)),
    st.tuples(st.just("jump"), st.integers(0, 2), st.integers(-300, 300)),
    st.tuples(st.just("pass"), st.just(0), st.integers(1, 90)),
)


@st.composite
def worlds(draw: st.DrawFn) -> tuple[list[Event], bool]:
    """The ledger's events after some hours' work, and whether in truth something dangerous came after the last whole proof."""
    now, server = BEGAN, Server()
    devices = [Device(name, timedelta(minutes=draw(st.integers(-300, 300)))) for name in "abc"]
    live_since = True

    def write(device: Device, body: Any) -> None:
        device.seq += 1
        device.waiting.append((body, device.seq, now + device.off, device.knows))

    for act, which, value in draw(st.lists(acts, max_size=25)):
        device = devices[which]
        if act == "write":
            body = (DANGERS + OTHERS)[value]
            write(device, body)
            live_since = live_since or body in DANGERS
        elif act in ("prove", "prove a part"):
            for body in PROOF[value:]:
                write(device, body)
                now += timedelta(seconds=20)
            live_since = live_since and act != "prove"
        elif act == "contact":
            server.take(device, now)
        elif act == "jump":
            device.off += timedelta(minutes=value)
        now += timedelta(minutes=value if act == "pass" else 1)
    for device in draw(st.permutations(devices)):
        server.take(device, now)
    return server.events, live_since


class Clocks(TestCase):
    @settings(max_examples=300, deadline=None)
    @given(worlds())
    def test_never_dead_after_a_live_that_came_later_in_truth(self, world: tuple[list[Event], bool]) -> None:
        events, live_since = world
        state = power_of(visit_of(events, Visit())).state
        if live_since:
            self.assertNotEqual(state, "dead-proved")

    @settings(max_examples=150, deadline=None)
    @given(worlds(), st.randoms(use_true_random=False))
    def test_in_any_order_and_doubled_it_is_the_same_visit(self, world: tuple[list[Event], bool], chance: Any) -> None:
        events = world[0]
        again = [*events, *chance.sample(events, len(events) // 2)]
        chance.shuffle(again)
        self.assertEqual(visit_of(again, Visit()), visit_of(events, Visit()))

    @settings(max_examples=60, deadline=None)
    @given(st.integers(-300, 300), st.lists(st.integers(-200, 200), min_size=len(PROOF), max_size=len(PROOF)))
    def test_on_one_device_a_proof_counts_whatever_its_clock_does(self, off: int, jumps: list[int]) -> None:
        device, server, now = Device("a", timedelta(minutes=off)), Server(), BEGAN
        for body, jump in zip(PROOF, jumps, strict=True):
            device.seq += 1
            device.waiting.append((body, device.seq, now + device.off, 0))
            server.take(device, now)
            device.off += timedelta(minutes=jump)
            now += timedelta(seconds=20)
        visit = visit_of(server.events, Visit())
        self.assertEqual(power_of(visit).state, "dead-proved")

    def test_within_a_device_time_never_runs_back(self) -> None:
        events = Server()
        device = Device("a", timedelta(hours=3))
        for minutes in (5, 1, 3):
            device.seq += 1
            device.waiting.append((PowerEvent("dead-claimed"), device.seq, BEGAN + device.off + timedelta(minutes=minutes), 0))
            events.take(device, BEGAN + timedelta(minutes=6))
        self.assertEqual([event.at for event in events.events], sorted(event.at for event in events.events))


class Corrections(TestCase):
    def event(self, seq: int, body: Any, minutes: int, device: str = "a") -> Event:
        return Event(f"{device}{seq}", kind_of(body), body, BEGAN + timedelta(minutes=minutes), device, seq, seq)

    def test_a_correction_takes_time_and_state_of_what_it_corrects(self) -> None:
        events = [self.event(seq, body, 0) for seq, body in enumerate(PROOF, 1)]
        first = self.event(20, Reading("winding.c_r.ohm", "6.0"), 5)
        live = self.event(21, PowerEvent("live"), 10)
        corrected = self.event(22, Reading("winding.c_r.ohm", "0.6", supersedes=first.id), 15)
        visit = visit_of([*events, first, live, corrected], Visit())
        readings = {reading.id: reading for reading in visit.readings}
        self.assertEqual((readings[corrected.id].power, readings[corrected.id].at), ("dead-proved", first.at))

    def test_a_correction_of_a_corrected_reading_stands_where_the_first_stood(self) -> None:
        first = self.event(1, Reading("cap.herm.uf", "50"), 0)
        second = self.event(2, Reading("cap.herm.uf", "51", supersedes=first.id), 5)
        third = self.event(3, Reading("cap.herm.uf", "52", supersedes=second.id), 6)
        visit = visit_of([first, second, third, self.event(4, Reading("cap.herm.uf", "40"), 3)], Visit())
        self.assertEqual([(one.value, one.at) for one in visit.readings][:3], [(value, first.at) for value in ("50", "51", "52")])

    def test_a_danger_that_was_mistyped_and_corrected_is_none(self) -> None:
        events = [self.event(seq, body, 0) for seq, body in enumerate(PROOF[:1], 1)]
        wrong = self.event(2, Reading("safe.line.v", "241"), 1)
        events += [wrong, self.event(3, Reading("safe.line.v", "2.41", supersedes=wrong.id), 2)]
        events += [self.event(seq, body, 3) for seq, body in enumerate(PROOF[1:], 4)]
        self.assertEqual(power_of(visit_of(events, Visit())).state, "dead-proved")

    def test_the_states_of_readings_follow_from_their_place(self) -> None:
        bodies = [
            Reading("cap.fan.uf", "5"),
            PowerEvent("dead-claimed"),
            Reading("cap.herm.uf", "40"),
            *PROOF,
            Reading("winding.c_r.ohm", "0.6"),
        ]
        events = [self.event(seq, body, seq) for seq, body in enumerate([*bodies, PowerEvent("live"), Reading("line.l1_l2.v", "240")], 1)]
        visit = visit_of(events, Visit())
        states = {reading.point: reading.power for reading in visit.readings}
        self.assertEqual(
            [states[point] for point in ("cap.fan.uf", "cap.herm.uf", "winding.c_r.ohm", "line.l1_l2.v")],
            ["unknown", "dead-claimed", "dead-proved", "live"],
        )
        self.assertEqual({event.kind for event in events}, {Kind.READING, Kind.POWER, Kind.SEEN})


class ProvedAnew(TestCase):
    """Found by any clocks: live, proved dead anew, live again."""

    LIVE = Reading("line.l1_l2.v", "239")

    def state(self, *bodies: Any) -> str:
        events = [Event(str(seq), kind_of(body), body, BEGAN + timedelta(minutes=seq), "a", seq, seq) for seq, body in enumerate(bodies)]
        return power_of(visit_of(events, Visit())).state

    def test_a_proof_made_anew_ends_what_was_read_live_before_it(self) -> None:
        self.assertEqual(self.state(*PROOF, self.LIVE), "live")
        self.assertEqual(self.state(*PROOF, self.LIVE, *PROOF), "dead-proved")

    def test_what_is_read_live_after_it_ends_it_too(self) -> None:
        self.assertEqual(self.state(*PROOF, self.LIVE, *PROOF, self.LIVE), "live")
        self.assertEqual(self.state(*PROOF, self.LIVE, Reading("line.l1_l2.v", "0.4")), "live")


class Spent(TestCase):
    def test_powered_up_since_a_proof_is_spent_and_a_claim_is_a_claim(self) -> None:
        bodies = [PowerEvent("dead-claimed"), *PROOF, PowerEvent("live"), PowerEvent("dead-claimed")]
        events = [Event(str(seq), kind_of(body), body, BEGAN + timedelta(minutes=seq), "a", seq, seq) for seq, body in enumerate(bodies)]
        self.assertEqual(power_of(visit_of(events, Visit())).state, "dead-claimed")

    def test_live_volts_in_the_middle_of_a_proof_leave_it_in_doubt(self) -> None:
        bodies = [*PROOF[:4], Reading("line.l1_l2.v", "239"), *PROOF[4:]]
        events = [Event(str(seq), kind_of(body), body, BEGAN + timedelta(minutes=seq), "a", seq, seq) for seq, body in enumerate(bodies)]
        self.assertNotEqual(power_of(visit_of(events, Visit())).state, "dead-proved")

    def test_a_proof_that_rested_is_begun_again(self) -> None:
        events = [
            Event(str(seq), kind_of(body), body, BEGAN + timedelta(minutes=seq * (8 if seq > 4 else 1)), "a", seq, seq)
            for seq, body in enumerate(PROOF)
        ]
        events[-1] = replace(events[-1], at=events[-2].at + timedelta(minutes=31))
        self.assertEqual(power_of(visit_of(events, Visit())).state, "unknown")
