"""What ships with the server and under which licence: the packages of requirements/app.txt, as they are installed."""

import re
from dataclasses import dataclass
from importlib.metadata import PackageNotFoundError, distribution
from typing import Any

from django.conf import settings

_NAME = re.compile(r"^([A-Za-z0-9][A-Za-z0-9._-]*)==", re.MULTILINE)
_TEXT = re.compile(r"(^|/)(licen[cs]e|copying|notice)[^/]*$", re.IGNORECASE)


@dataclass(frozen=True, slots=True)
class Licence:
    """A package, its version, the licence it names, and the licence's text where it ships one."""

    name: str
    version: str
    licence: str
    text: str


def licences() -> list[Licence]:
    """Every Python package the server runs on, by name.

    >>> {one.name.lower() for one in licences()} >= {"django", "psycopg"}
    True
    """
    names = _NAME.findall((settings.ROOT / "requirements" / "app.txt").read_text())
    return sorted((found for name in names if (found := _licence(name)) is not None), key=lambda licence: licence.name.lower())


def _licence(name: str) -> Licence | None:
    try:
        package = distribution(name)
    except PackageNotFoundError:
        return None  # needed on another kind of machine only
    about: Any = package.metadata  # an email message, though its type says less
    classifiers = [line.rsplit(" :: ", 1)[1] for line in about.get_all("Classifier") or [] if line[:7] == "License"]
    named = about.get("License-Expression") or ", ".join(classifiers) or about.get("License") or ""
    files = [file for file in package.files or [] if _TEXT.search(str(file))]
    text = "\n\n".join(file.read_text(encoding="utf-8") for file in files[:3])
    return Licence(about["Name"], package.version, named.splitlines()[0] if named else "", text)
