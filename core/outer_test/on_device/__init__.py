"""What a browser's Python is asked: JSON in, JSON out."""

from outer_test.on_device.visits import Judged, Visits, judged

__all__ = ["Judged", "Visits", "judged"]
