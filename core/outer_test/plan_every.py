"""Every step that some unit's round can have."""

from outer_test.plan_defrost import EVERY_DEFROST_STEP
from outer_test.plan_electrical import EVERY_ELECTRICAL_STEP
from outer_test.plan_fan import EVERY_FAN_STEP
from outer_test.plan_second import EVERY_SECOND_STEP
from outer_test.plan_steps import EVERY_EARLY_STEP

EVERY_STEP = (*EVERY_EARLY_STEP, *EVERY_ELECTRICAL_STEP, *EVERY_FAN_STEP, *EVERY_SECOND_STEP, *EVERY_DEFROST_STEP)
