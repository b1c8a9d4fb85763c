"""What a company's own visits add to the shares: a model assumption of ours [M], with the algebra of a Dirichlet mean."""

import unittest
from dataclasses import replace
from math import isclose

from hypothesis import given, settings
from hypothesis import strategies as st

from outer_test.diagnosis import USUAL_VISITS, diagnose, hypotheses, table_of, weigh
from outer_test.diagnosis.experience import with_experience
from outer_test.judgement import HouseRules
from outer_test.twin import FaultKey
from outer_test.visit import ProvedCause, Visit

HUMS = Visit(complaint="hums-no-start")
OWN = HouseRules(experience="own")
counts = st.dictionaries(st.sampled_from(list(FaultKey)), st.integers(1, 500), max_size=8)
shares = st.dictionaries(st.sampled_from(list(FaultKey)), st.floats(0.01, 20), min_size=1, max_size=20)


def with_causes(*causes: tuple[str, int], rules: HouseRules = OWN) -> Visit:
    return replace(HUMS, rules=rules, experience=tuple(ProvedCause("hums-no-start", fault, visits) for fault, visits in causes))


def chances(visit: Visit) -> dict[str, float]:
    among = hypotheses(visit, table_of(visit.plate))
    return {one.key: chance for one, chance in zip(among, weigh(among, {}), strict=True)}


class Experience(unittest.TestCase):
    def test_what_a_company_met_often_stands_first(self) -> None:
        usual = chances(HUMS)
        self.assertGreater(usual["herm weak"], usual["pitted"])
        own = chances(with_causes(("pitted", 60)))
        self.assertGreater(own["pitted"], own["herm weak"])
        self.assertNotEqual(diagnose(HUMS).suspects[0].fault, "pitted")
        self.assertEqual(diagnose(with_causes(("pitted", 60))).suspects[0].fault, "pitted")

    def test_it_weighs_only_where_the_house_rules_let_it_and_under_its_own_complaint(self) -> None:
        usual = chances(HUMS)
        self.assertEqual(chances(with_causes(("pitted", 60), rules=HouseRules())), usual)
        other = replace(HUMS, rules=OWN, experience=(ProvedCause("iced-over", "pitted", 60),))
        self.assertEqual(chances(other), usual)
        self.assertEqual(chances(with_causes(("a fault of a later version", 60))), usual)

    def test_as_many_visits_as_the_usual_shares_count_for_weigh_as_much_as_they(self) -> None:
        weighed = with_experience({FaultKey.PITTED: 1.0, FaultKey.HERM_WEAK: 3.0}, with_causes(("pitted", USUAL_VISITS)))
        self.assertAlmostEqual(weighed[FaultKey.PITTED], 4 * (0.25 + 1) / 2)
        self.assertAlmostEqual(weighed[FaultKey.HERM_WEAK], 4 * 0.75 / 2)

    def test_nothing_wrong_neither_gains_nor_loses(self) -> None:
        visit = with_causes(("pitted", 60), ("locked", 3))
        self.assertAlmostEqual(chances(visit)["nothing wrong"], chances(HUMS)["nothing wrong"], 3)

    @settings(max_examples=100, deadline=None)
    @given(shares, counts)
    def test_the_sum_stays_and_no_share_is_lost(self, usual: dict[FaultKey, float], seen: dict[FaultKey, int]) -> None:
        weighed = with_experience(usual, with_causes(*((fault.value, visits) for fault, visits in seen.items())))
        self.assertTrue(isclose(sum(weighed.values()), sum(usual.values()), rel_tol=1e-9))
        self.assertTrue(all(share > 0 for share in weighed.values()))
        once = next((fault for fault in seen if fault in usual), None)
        if once is not None:
            more = with_experience(usual, with_causes(*((f.value, n + (100 if f is once else 0)) for f, n in seen.items())))
            self.assertGreaterEqual(more[once], weighed[once] * (1 - 1e-9))
