"""A company's zip, held to its manifest before anything of it is believed."""

import hashlib
import zipfile
import zlib
from pathlib import PurePosixPath
from typing import IO, Any

from files.company_out import FORMAT, VERSION
from outer_test.measurement import FieldProblem
from outer_test.plain_data import ReadProblem, parse, read_as

MOST_FILES, MOST_BYTES, MOST_EACH, MOST_RATIO = 200_000, 2_000_000_000, 20_000_000, 200


class CheckedZip:
    """The zip after its manifest, sizes, names and checksums were held to what they say."""

    def __init__(self, file: IO[bytes]) -> None:
        try:
            self.archive = zipfile.ZipFile(file)
        except zipfile.BadZipFile:
            raise FieldProblem("file", "This is not a zip file.") from None
        infos = self.archive.infolist()
        if len(infos) > MOST_FILES or sum(info.file_size for info in infos) > MOST_BYTES:
            raise FieldProblem("file", "The zip holds more than a company's files would.")
        for one in infos:
            path = PurePosixPath(one.filename)
            if path.is_absolute() or ".." in path.parts or "\\" in one.filename:
                raise FieldProblem("file", "The zip names a file outside itself.")
            if one.file_size > MOST_EACH or one.file_size > MOST_RATIO * max(one.compress_size, 1) + 10_000:
                raise FieldProblem("file", f"{one.filename[:60]}: unpacks to more than it should.")
        manifest = self.json("manifest.json")
        if not isinstance(manifest, dict) or manifest.get("format") != FORMAT or manifest.get("version") != VERSION:
            raise FieldProblem("file", f"This is not a {FORMAT} file of version {VERSION}.")
        listed = manifest.get("files")
        if not isinstance(listed, list) or not all(isinstance(one, dict) and isinstance(one.get("name"), str) for one in listed):
            raise FieldProblem("file", "Its manifest lists no files.")
        self.names = [one["name"] for one in listed]
        if {*self.names, "manifest.json"} != {info.filename for info in infos}:
            raise FieldProblem("file", "It holds other files than its manifest lists.")
        for one in listed:
            if hashlib.sha256(self.read(one["name"])).hexdigest() != one.get("sha256"):
                raise FieldProblem("file", f"{one['name'][:60]}: its checksum does not match.")

    def read(self, name: str) -> bytes:
        """A file's content, never more than it says of itself."""
        try:
            with self.archive.open(name) as file:
                content = file.read(MOST_EACH + 1)
        except (KeyError, zipfile.BadZipFile, RuntimeError, NotImplementedError, EOFError, zlib.error):
            raise FieldProblem("file", f"{name[:60]} cannot be read.") from None
        if len(content) > MOST_EACH:
            raise FieldProblem("file", f"{name[:60]}: unpacks to more than it should.")
        return content

    def json(self, name: str) -> Any:
        """A JSON file's value."""
        try:
            return parse(self.read(name))
        except ReadProblem:
            raise FieldProblem("file", f"{name[:60]} is not JSON.") from None

    def as_type(self, name: str, shape: Any) -> Any:
        """A JSON file held to its shape."""
        try:
            return read_as(shape, self.json(name))
        except ReadProblem as problem:
            raise FieldProblem("file", f"{name[:60]}: {problem}"[:300]) from None
