#!/usr/bin/env python
"""Django's command line for the Outer Test server."""

import os
import sys
from pathlib import Path

if __name__ == "__main__":
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "config.settings")
    here = Path(__file__).resolve().parent
    sys.path[:0] = [str(here), str(here.parent / "core")]
    from django.core.management import execute_from_command_line

    execute_from_command_line(sys.argv)
