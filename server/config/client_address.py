"""Who asks, by address: the true one behind the proxies of this installation, never one that a stranger made up."""

from collections.abc import Callable

from django.conf import settings
from django.http import HttpRequest, HttpResponse


class ClientAddress:
    """Middleware: `REMOTE_ADDR` is the address that the outermost trusted proxy saw; without one it is left as it is."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        """The answer, with the address put right before."""
        hops: int = settings.TRUSTED_HOPS
        seen = [one.strip() for one in request.META.get("HTTP_X_FORWARDED_FOR", "").split(",") if one.strip()]
        if hops and len(seen) >= hops:
            request.META["REMOTE_ADDR"] = seen[-hops]
        return self.get_response(request)
