"""The visit sheet: a customer page and a technical page, as one page of HTML that is also what the PDF is made from."""

from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from datetime import datetime
from functools import cache
from pathlib import Path
from typing import Any

from django.conf import settings
from django.template.loader import render_to_string
from django.utils.safestring import SafeString, mark_safe
from django.utils.timezone import localtime
from weasyprint import CSS, HTML
from weasyprint.text.fonts import FontConfiguration
from weasyprint.urls import URLFetcher

from accounts.models import Company
from files.report_ladder import ladder
from files.report_tape import mark, tape
from outer_test.assessment import Assessment
from outer_test.judgement import SCHOOLS, WORST_FIRST, Finding, first_at_each_point
from outer_test.procedure import stations
from outer_test.round import EntryShown, Round, round_of
from outer_test.visit import title_of
from visits.before import read_before
from visits.load import Loaded

COMPLAINTS = {
    "nothing-at-all": "will not start, nothing at all", "hums-no-start": "hums, does not start", "trips-breaker": "trips breaker or fuse",
    "fan-stopped": "runs, fan does not", "compressor-stopped": "fan runs, compressor does not", "iced-over": "iced over",
    "blows-cold": "blows cold in heating", "never-defrosts": "never defrosts", "defrosts-too-often": "defrosts too often",
    "noisy-defrost": "noisy in defrost", "high-bill": "high bill, aux always on", "maintenance": "maintenance, no complaint",
}  # fmt: skip
LIFTED = {"back": "back", "retired": "not needed any more", "left": "left until the return visit", "": "NOT PUT BACK"}


@dataclass(frozen=True, slots=True)
class Line:
    """One reading of the technical page."""

    title: str
    shown: str
    mark: SafeString
    tape: SafeString
    why: str
    rule: str
    meter: str
    before: str
    superseded: str
    caution: str


@dataclass(frozen=True, slots=True)
class Part:
    """A station of the technical page."""

    title: str
    lines: tuple[Line, ...]


def report_html(company: Company, loaded: Loaded, for_paper: bool = False) -> str:
    """The sheet as a page. It asks for no script; its fonts come from the app itself."""
    shown = round_of(loaded)
    judged = shown.assessment
    return render_to_string(
        "files/report.html",
        _customer(company, loaded, shown) | {
            "overall": judged.overall, "parts": list(_parts(company, loaded, judged, shown.entries)),
            "notes": [(note.text, note.at, note.by_whom) for note in shown.notes],
            "lifted": [(one.what, one.at, LIFTED[one.how], one.why, one.ended_at) for one in shown.lifted],
            "schools": [words[getattr(loaded.visit.rules, choice)] for choice, words in SCHOOLS.items()],
            "ladder": mark_safe(ladder(shown.ladder)),
            "fonts": [] if for_paper else _font_names(), "for_paper": for_paper,
        },
    )  # fmt: skip


def customer_html(company: Company, loaded: Loaded, until: datetime) -> str:
    """The customer's part alone, for whoever has a link to it until then."""
    return render_to_string("files/shared.html", _customer(company, loaded, round_of(loaded)) | {"fonts": _font_names(), "until": until})


def _customer(company: Company, loaded: Loaded, shown: Round) -> dict[str, Any]:
    row = loaded.row
    signature = shown.signature
    return {
        "company": company, "row": row, "unit": row.unit, "site": row.unit.site, "technician": loaded.names.get(row.technician_id, ""),
        "complaint": COMPLAINTS.get(row.complaint, "none recorded"),
        "page": shown.customer,
        "marks": {verdict.value: mark_safe(mark(verdict)) for verdict in WORST_FIRST},
        "signed_otherwise": shown.signed_otherwise,
        "signature": signature, "strokes": [] if signature is None else [_stroke(stroke) for stroke in signature.strokes],
    }  # fmt: skip


def _stroke(points: Iterable[tuple[float, ...]]) -> str:
    return " ".join(f"{x * 300:.1f},{y * 300:.1f}" for x, y in points)


def _parts(company: Company, loaded: Loaded, judged: Assessment, entries: tuple[EntryShown, ...]) -> Iterator[Part]:
    found = first_at_each_point(judged.findings)
    earlier = {point: f"{last.value} on {localtime(last.at):%Y-%m-%d}" for point, (last, *_) in read_before(company, loaded.row).items()}
    for station in stations(loaded.visit, {}):
        names = [step.point for step in station.steps]
        own = [point for point in dict.fromkeys(entry.point for entry in entries) if point in names]
        lines = tuple(_line(point, found.get(point), [entry for entry in entries if entry.point == point], earlier) for point in own)
        if lines:
            yield Part(station.title, lines)


def _line(point: str, finding: Finding | None, entries: list[EntryShown], earlier: dict[str, str]) -> Line:
    standing = next((entry for entry in reversed(entries) if entry.stands), entries[-1])
    gone = ", ".join(f"{entry.value} {entry.unit} at {localtime(entry.at):%H:%M}" for entry in entries if entry is not standing)
    rule = "" if finding is None else ", ".join(filter(None, (finding.rule, finding.school, finding.source)))
    return Line(
        title_of(point), f"{standing.value} {standing.unit}".strip(),
        mark_safe(mark(None if finding is None else finding.verdict)), mark_safe("" if finding is None else tape(finding)),
        "" if finding is None else f"{_word(finding)}. {finding.why}", rule,
        ", ".join(filter(None, (f"{localtime(standing.at):%H:%M}", standing.by_whom, standing.meter))), earlier.get(point, ""), gone,
        "" if finding is None else finding.caution,
    )  # fmt: skip


def _word(finding: Finding) -> str:
    return "Does not apply" if finding.verdict is None else finding.verdict.value.capitalize()


def _font_names() -> list[tuple[str, str]]:
    return [(name, f"/assets/{file.name}") for name, file in _fonts()]


@cache
def _fonts() -> tuple[tuple[str, Path], ...]:
    folder = Path(settings.WEB_DIST) / "assets"
    wanted = (("Archivo", "archivo-latin-wght-*.woff2"), ("Red Hat Mono", "red-hat-mono-latin-wght-*.woff2"))
    return tuple((name, file) for name, pattern in wanted for file in folder.glob(pattern))


class _OwnFontsOnly(URLFetcher):  # type: ignore[misc, unused-ignore]
    """Nothing but this app's own font files is fetched, whatever a sheet's text says."""

    def fetch(self, url: str, headers: Any = None) -> Any:
        """One of the app's fonts; everything else is refused."""
        if url not in {file.as_uri() for _, file in _fonts()}:
            raise ValueError(f"a sheet fetches nothing: {url[:80]}")
        return super().fetch(url, headers)


def report_pdf(company: Company, loaded: Loaded) -> bytes:
    """The same page as PDF, with its fonts inside."""
    fonts, fetcher = FontConfiguration(), _OwnFontsOnly()
    faces = [f'@font-face {{ font-family: "{name}"; src: url("{file.as_uri()}"); }}' for name, file in _fonts()]
    page = HTML(string=report_html(company, loaded, for_paper=True), url_fetcher=fetcher)
    style = CSS(string="".join(faces), font_config=fonts, url_fetcher=fetcher)
    pdf: bytes = page.write_pdf(stylesheets=[style], font_config=fonts)
    return pdf
