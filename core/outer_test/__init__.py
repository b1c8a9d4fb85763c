"""The trade of testing a heat pump's outdoor unit, as pure functions.

`assess(visit)` is the one question: a visit goes in, findings come out. Nothing here reads a file, a clock or a
network, and nothing is imported but the standard library.
"""

from typing import Final

VERSION: Final = "0.19.1"  # pyproject.toml's; a finish says by which version it was judged
