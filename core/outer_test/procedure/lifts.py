"""What taking a reading lifts: the lines it adds to the not-put-back list by itself."""

from outer_test.procedure.every import EVERY_STEP

# By point: the line that taking a reading there adds.
LIFTED_FOR = {step.point: step.lifts for step in EVERY_STEP if step.lifts}
