"""A printable sheet of stickers: a QR code that opens the unit's file, and the unit's name beside it."""

from collections.abc import Sequence

import segno
from django.template.loader import render_to_string
from django.utils.safestring import SafeString, mark_safe

from fleet.models import Unit

MOST = 300


def labels_html(units: Sequence[Unit], base: str) -> str:
    """The sheet as a page. base: where this server is reached, such as `https://visits.example/`; the rest is the unit's tag."""
    shown = [(unit.site.name, unit.label, unit.serial, qr_svg(f"{base.rstrip('/')}/u/{unit.tag}")) for unit in units[:MOST]]
    return render_to_string("files/labels.html", {"labels": shown})


def qr_svg(address: str) -> SafeString:
    """An address as a QR code that is still read with a quarter of it rubbed off.

    >>> qr_svg("https://visits.example/u/abc").startswith("<svg")
    True
    """
    code = segno.make(address, error="q", micro=False)
    return mark_safe(code.svg_inline(scale=3, border=4, dark="#1b2624", light="#ffffff", omitsize=True))
