"""What `./judge` needs on a machine where nothing was set up yet: the Python environment, no database."""

from ops.environment import ensure_python
from ops.machine import Trouble, fail

if __name__ == "__main__":
    try:
        ensure_python()
    except Trouble as trouble:
        fail(trouble)
