"""`./judge FILE`: read a visit file, print its assessment as JSON. Needs no database."""

import json
import sys
from pathlib import Path

from pydantic import TypeAdapter

from outer_test.assessment import Assessment, assess
from visits.visit_file import VisitFileError, read_visit

_ASSESSMENT = TypeAdapter(Assessment)


def main(words: list[str]) -> int:
    """Exit 0 with JSON on standard output; exit 2 with one line on standard error for anything that is no visit file."""
    if len(words) != 1 or words[0] in ("-h", "--help"):
        print("usage: ./judge FILE    (- for standard input)", file=sys.stderr)
        return 0 if words and words[0] in ("-h", "--help") else 2
    try:
        text = sys.stdin.buffer.read() if words[0] == "-" else Path(words[0]).read_bytes()
    except OSError as problem:
        print(f"judge: {words[0]}: {problem.strerror}", file=sys.stderr)
        return 2
    try:
        visit = read_visit(text)
    except VisitFileError as problem:
        print(f"judge: {words[0]}: {problem}", file=sys.stderr)
        return 2
    answer = _ASSESSMENT.dump_python(assess(visit), mode="json", exclude_none=True)
    print(json.dumps(answer, ensure_ascii=False, indent=1))
    return 0


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
