"""Every step that some unit's round can have."""

from outer_test.procedure.defrost import EVERY_DEFROST_STEP
from outer_test.procedure.electrical import EVERY_ELECTRICAL_STEP
from outer_test.procedure.fan_motor import EVERY_FAN_STEP
from outer_test.procedure.second_contactor import EVERY_SECOND_STEP
from outer_test.procedure.steps import EVERY_EARLY_STEP

EVERY_STEP = (*EVERY_EARLY_STEP, *EVERY_ELECTRICAL_STEP, *EVERY_FAN_STEP, *EVERY_SECOND_STEP, *EVERY_DEFROST_STEP)
