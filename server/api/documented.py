"""What the API's own document says of every answer: the problems that any endpoint can answer with, and files as what they are."""

from typing import Any

# Any endpoint's: a body that is no JSON, no sign-in, nothing of that name, too much, a busy or full server.
ANYWHERE = (400, 401, 403, 404, 405, 409, 411, 413, 422, 429, 503, 507)
_PROBLEM = {"content": {"application/json": {"schema": {"$ref": "#/components/schemas/Problem"}}}}


def a_file(*content_types: str) -> dict[str, Any]:
    """For a route that answers with a file: what kind of file it is, in place of JSON."""
    binary = {"schema": {"type": "string", "format": "binary"}}
    return {"responses": {200: {"description": "The file", "content": dict.fromkeys(content_types, binary)}}}


def with_problems(document: dict[str, Any]) -> dict[str, Any]:
    """The document with every operation's possible problems, and without JSON where a file is what comes."""
    for path in document["paths"].values():
        for operation in path.values():
            answers = operation["responses"]
            for status in ANYWHERE:
                if status not in answers and str(status) not in answers:
                    answers[status] = {"description": _WORDS[status], **_PROBLEM}
            fine = answers.get(200, answers.get("200", {}))
            kinds = fine.get("content", {})
            if len(kinds) > 1:
                kinds.pop("application/json", None)
    return document


_WORDS = {
    400: "Not a body that can be read", 401: "Sign in first", 403: "Not yours to do", 404: "Nothing of that name", 405: "Not here",
    409: "Used or changed already", 411: "Say how long it is", 413: "Too much at once", 422: "Something wrong with a field",
    429: "Too often", 503: "Not now: try again", 507: "The server's disk is full",
}  # fmt: skip
