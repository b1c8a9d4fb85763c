"""A company's zip out and in, as a lead asks for it; with the work done at once."""

from typing import Any

from django.core.files.uploadedfile import SimpleUploadedFile

from testing.fixtures import Caller, fresh


def zipped(lead: Caller) -> bytes:
    """The company's zip."""
    job = lead.send("POST", "/files/company-zip/out", {"id": fresh()}).json()
    got = lead.get(f"/api/v1/files/company-zip/{job['id']}/file")
    return b"".join(got.streaming_content)  # type: ignore[attr-defined]


def take_in(lead: Caller, content: bytes, job: str = "") -> dict[str, Any]:
    """What became of a zip that was brought."""
    file = SimpleUploadedFile("company.zip", content)
    told: dict[str, Any] = lead.post("/api/v1/files/company-zip", {"id": job or fresh(), "file": file}).json()
    return told
