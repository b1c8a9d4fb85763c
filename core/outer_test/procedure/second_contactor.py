"""A two-stage unit's second contactor: read like the first, and asked for only where there is one."""

from dataclasses import replace

from outer_test.procedure.electrical import COIL_VOLTS, CONTACTOR, CONTACTOR_LIVE, POLE_HEAT, POLES
from outer_test.procedure.steps import LOOK, Step

SECOND = "contactor2"


def second(step: Step) -> Step:
    """The same reading at the second contactor.

    >>> from outer_test.procedure.electrical import CONTACTOR
    >>> second(CONTACTOR[0]).point, second(CONTACTOR[0]).title
    ('contactor2.coil.ohm', 'Second contactor: coil resistance')
    """
    lower = step.title[0].lower() + step.title[1:]
    lifts = step.lifts.replace("Contactor", "Second contactor")
    return replace(
        step, point=step.point.replace("contactor", SECOND, 1), title=f"Second contactor: {lower}", short=f"2nd {step.short}", lifts=lifts
    )


SECOND_FACES = tuple(second(step) for step in LOOK if step.point == "look.contactor.faces")
SECOND_COIL = tuple(second(step) for step in CONTACTOR)
SECOND_LIVE = tuple(
    replace(second(step), how=f"{step.how} With a call for high stage.")
    for step in (*COIL_VOLTS, *(step for step in CONTACTOR_LIVE if step.point == "contactor.armature"))
)
SECOND_POLES = tuple(second(step) for step in POLES)
SECOND_HEAT = tuple(second(step) for step in POLE_HEAT)
EVERY_SECOND_STEP = (*SECOND_FACES, *SECOND_COIL, *SECOND_LIVE, *SECOND_POLES, *SECOND_HEAT)
