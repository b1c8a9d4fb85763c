"""What pydantic finds wrong with a request, in words for the person who typed it."""

from typing import Any

from outer_test.measurement import FieldProblem


def message_for(error: dict[str, Any]) -> tuple[str, str]:
    """One of pydantic's errors as (dotted field, message)."""
    # Names of the union's branches and of dataclasses are no part of the place a person looks at.
    place = [str(part) for part in error["loc"] if not _is_branch(str(part))]
    if place[:1] == ["body"]:
        del place[0]
    cause = error.get("ctx", {}).get("error")
    if isinstance(cause, FieldProblem):
        if cause.field not in place[-1:]:
            place.append(cause.field)
        return ".".join(place), cause.message
    kind, field = error["type"], ".".join(place)
    if kind == "string_type" and place[-1:] == ["value"]:
        return field, 'give the value as a JSON string such as "50.4": its digits carry the resolution, a JSON number loses them'
    if kind in ("unexpected_keyword_argument", "extra_forbidden"):
        return field, "is no field here"
    if kind == "missing":
        return field, "is missing"
    if kind == "json_invalid":
        return "", f"is not JSON: {error.get('ctx', {}).get('error', 'cannot be parsed')}"
    if kind == "dataclass_type":
        return field, "must be an object"
    words = str(error["msg"]).removeprefix("Value error, ").removeprefix("Input ")
    return field, words


def _is_branch(part: str) -> bool:
    return part in ("str", "Seen", "function-after", "[key]") or part.startswith(("literal[", "dataclass-", "constrained"))
