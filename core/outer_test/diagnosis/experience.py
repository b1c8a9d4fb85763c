"""What a company's own finished visits add to the usual shares of a complaint, where its house rules let them (handbook section 13)."""

from collections.abc import Mapping
from math import fsum

from outer_test.twin import FaultKey
from outer_test.visit import Visit

USUAL_VISITS = 30  # as many visits as the usual shares count for: a model assumption of ours [M]


def with_experience(shares: Mapping[FaultKey, float], visit: Visit) -> Mapping[FaultKey, float]:
    """The shares with the causes that repairs proved on visits with this complaint. Their sum stays, so *nothing wrong* loses nothing.

    shares: of every fault this unit can have, by this complaint; above 0. Source: [D] the mean of a Dirichlet distribution whose
    prior counts for `USUAL_VISITS`; what was never seen keeps a share.

    >>> from outer_test.judgement import HouseRules
    >>> from outer_test.visit import ProvedCause
    >>> own = Visit(complaint="hums-no-start", rules=HouseRules(experience="own"), experience=(ProvedCause("hums-no-start", "pitted", 10),))
    >>> weighed = with_experience({FaultKey.PITTED: 1.0, FaultKey.HERM_WEAK: 3.0}, own)
    >>> [float(share) for share in weighed.values()]
    [1.75, 2.25]
    """
    proved = _proved(visit, shares) if visit.rules.experience == "own" else {}
    if not proved:
        return shares
    whole, visits = fsum(shares.values()), fsum(proved.values())
    return {key: whole * (USUAL_VISITS * share / whole + proved.get(key, 0.0)) / (USUAL_VISITS + visits) for key, share in shares.items()}


def _proved(visit: Visit, shares: Mapping[FaultKey, float]) -> dict[FaultKey, float]:
    """On how many visits each fault that this unit can have was the cause; one this version does not know is left out."""
    by_name = {key.value: key for key in shares}
    counted: dict[FaultKey, float] = {}
    for cause in visit.experience:
        if cause.complaint == visit.complaint and cause.fault in by_name:
            key = by_name[cause.fault]
            counted[key] = counted.get(key, 0.0) + cause.visits
    return counted
