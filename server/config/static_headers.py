"""What the built files say of themselves: the shell that a device keeps has the page's own policy, and one worker may compile."""

import re
from collections.abc import MutableMapping

from csp.utils import build_policy

_SHELL = re.compile(r"^/(?:index\.html|sw\.js|keep-core\.js|workbox-[\w-]+\.js)$")
_CORE_WORKER = re.compile(r"^/assets/core\.worker-[\w-]+\.js$")
# The core runs in this worker, in the browser's own Python: it compiles it, and reads its files from here.
_CORE_POLICY = "default-src 'none'; script-src 'self' 'wasm-unsafe-eval'; connect-src 'self'"


def add_headers(headers: MutableMapping[str, str], path: str, url: str) -> None:
    """Add a built file's policy to its headers; called by WhiteNoise for each file as it starts."""
    if _SHELL.match(url):
        headers["Content-Security-Policy"] = build_policy()
        headers["Cache-Control"] = "no-cache"
    elif _CORE_WORKER.match(url):
        headers["Content-Security-Policy"] = _CORE_POLICY
