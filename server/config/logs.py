"""Logs as JSON, a line an event: which request, who, on which visit and why it failed; no reading, no name, no secret."""

import json
import logging
import traceback
from contextvars import ContextVar
from dataclasses import asdict, dataclass
from datetime import UTC, datetime


@dataclass(slots=True)
class Asked:
    """What a log line says of the request it belongs to."""

    request: str = ""
    member: int | None = None
    visit: str = ""


asked: ContextVar[Asked | None] = ContextVar("asked", default=None)


class JsonLines(logging.Formatter):
    """One JSON object a line. Of an exception its kind and where it was raised: its words may hold what somebody typed."""

    def format(self, record: logging.LogRecord) -> str:
        """The line."""
        line = {"at": datetime.fromtimestamp(record.created, UTC).isoformat(), "level": record.levelname, "logger": record.name}
        of = asked.get()
        if of is not None:
            line |= {name: value for name, value in asdict(of).items() if value}
        line["message"] = record.getMessage()
        line |= getattr(record, "about", {})
        if record.exc_info and record.exc_info[1] is not None:
            problem = record.exc_info[1]
            frames = traceback.extract_tb(problem.__traceback__)[-6:]
            line["reason"] = type(problem).__name__
            line["where"] = [f"{frame.filename.rsplit('/', 2)[-2]}/{frame.filename.rsplit('/', 1)[-1]}:{frame.lineno}" for frame in frames]  # type: ignore[assignment]
        return json.dumps(line)
