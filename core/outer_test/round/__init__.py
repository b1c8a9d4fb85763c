"""What a screen shows of a visit while it is worked: the path of this call, from what was done to what is likely next."""

from outer_test.round.path import PathStep, path_of

__all__ = ["PathStep", "path_of"]
