"""The core as one file for a browser's Python: the same bytes from the same sources. Run: python3 -m ops.core_zip FILE"""

import sys
import zipfile
from pathlib import Path

CORE = Path(__file__).parents[1] / "core"
_SAME_TIME = (2026, 1, 1, 0, 0, 0)  # the sources decide what is in it, not when it was made


def core_files() -> list[Path]:
    """The core's sources, without its tests."""
    return sorted(path for path in (CORE / "outer_test").rglob("*.py") if "tests" not in path.parts)


def write_core(target: Path) -> None:
    """Write the core as a zip."""
    with zipfile.ZipFile(target, "w", zipfile.ZIP_DEFLATED) as archive:
        for path in core_files():
            archive.writestr(zipfile.ZipInfo(path.relative_to(CORE).as_posix(), _SAME_TIME), path.read_bytes(), zipfile.ZIP_DEFLATED)


if __name__ == "__main__":
    write_core(Path(sys.argv[1]))
