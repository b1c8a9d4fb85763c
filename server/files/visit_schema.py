"""The visit file's JSON Schema, made from the core's dataclasses with the bounds their fields carry."""

from dataclasses import fields, is_dataclass
from typing import Any

from pydantic import TypeAdapter

from outer_test import judgement, measurement, nameplate, visit
from outer_test.visit import POINTS, Visit


def visit_schema() -> dict[str, Any]:
    """The whole schema (JSON Schema 2020-12).

    >>> visit_schema()["required"]
    ['format', 'version']
    """
    schema = TypeAdapter(Visit).json_schema()
    for name, part in schema.get("$defs", {}).items():
        _add_bounds(part, _classes().get(name))
    reading = schema["$defs"]["Reading"]["properties"]
    reading["value"]["pattern"] = r"^(-?([0-9]{1,9}(\.[0-9]{0,9})?|\.[0-9]{1,9})|OL|closed|open)$"
    reading["value"]["description"] = "decimal digits (their count is the resolution), OL, closed or open; never a JSON number"
    reading["point"]["enum"] = [point.name for point in POINTS.values() if point.kind == "number"]
    words = {name: {"enum": list(point.choices)} for name, point in POINTS.items() if point.kind == "seen"}
    seen = {name: {"anyOf": [word, {"$ref": "#/$defs/Seen"}]} for name, word in words.items()}
    schema["properties"]["seen"] = {"type": "object", "properties": seen, "additionalProperties": False}
    for part in (schema, *schema["$defs"].values()):
        part.setdefault("additionalProperties", False)
    schema["required"] = ["format", "version"]
    return {"$schema": "https://json-schema.org/draft/2020-12/schema", "title": "Outer Test visit file"} | schema


def _classes() -> dict[str, type]:
    found: dict[str, type] = {}
    for module in (visit, nameplate, measurement, judgement):
        found |= {name: kind for name, kind in vars(module).items() if isinstance(kind, type) and is_dataclass(kind)}
    return found


def _add_bounds(part: dict[str, Any], kind: type | None) -> None:
    if kind is None:
        return
    for field in fields(kind):
        if field.metadata:
            about = part["properties"][field.name]
            _bound(about, field.metadata["low"], field.metadata["high"])
            about["description"] = ", ".join(filter(None, (field.metadata["unit"], field.metadata["doc"])))


def _bound(about: dict[str, Any], low: float, high: float) -> None:
    for option in (about, *about.get("anyOf", ()), about.get("items", {})):
        if option.get("type") in ("number", "integer"):
            option["minimum"], option["maximum"] = low, high
