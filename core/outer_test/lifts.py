"""What taking a reading lifts: the lines it adds to the not-put-back list by itself."""

from outer_test.plan_defrost import EVERY_DEFROST_STEP
from outer_test.plan_electrical import EVERY_STEP
from outer_test.plan_fan import EVERY_FAN_STEP
from outer_test.plan_second import EVERY_SECOND_STEP
from outer_test.plan_steps import EVERY_EARLY_STEP

# By point: the line that taking a reading there adds.
LIFTED_FOR = {
    step.point: step.lifts
    for step in (*EVERY_EARLY_STEP, *EVERY_STEP, *EVERY_FAN_STEP, *EVERY_SECOND_STEP, *EVERY_DEFROST_STEP)
    if step.lifts
}
