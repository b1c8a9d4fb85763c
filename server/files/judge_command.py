"""`./judge FILE ...`: read visit files, print what they say as JSON. Needs no database."""

import json
import sys
from pathlib import Path

from outer_test.plain_data import ReadProblem
from outer_test.report import answer_for
from outer_test.visit import read_visit

_USAGE = "usage: ./judge FILE [FILE ...]    (- for standard input; several files answer one line each)"


def main(words: list[str]) -> int:
    """Exit 0 with JSON on standard output; exit 2 with one line on standard error for anything that is no visit file."""
    if not words or words[0] in ("-h", "--help"):
        print(_USAGE, file=sys.stderr)
        return 0 if words else 2
    status = 0
    for name in words:
        try:
            text = sys.stdin.buffer.read() if name == "-" else Path(name).read_bytes()
            answer = answer_for(read_visit(text))
        except OSError as problem:
            print(f"judge: {name}: {problem.strerror}", file=sys.stderr)
            status = 2
            continue
        except ReadProblem as problem:
            print(f"judge: {name}: {problem}", file=sys.stderr)
            status = 2
            continue
        print(json.dumps(answer, ensure_ascii=False, indent=1 if len(words) == 1 else None))
    return status


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
