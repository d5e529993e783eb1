"""Hosts: the application answers only to its own names, pages and files alike."""

from collections.abc import Iterable
from typing import TYPE_CHECKING, Final
from urllib.parse import urlsplit

from flask import Response

from hearth_bowl.api.headers import HEADERS
from hearth_bowl.api.problems import Problem, answer

if TYPE_CHECKING:
    from _typeshed.wsgi import StartResponse, WSGIApplication, WSGIEnvironment

LOOPBACK_HOSTS: Final = frozenset({"127.0.0.1", "localhost", "::1"})


def guard_hosts(served: "WSGIApplication", hosts: frozenset[str]) -> "WSGIApplication":
    """Return the application answering only to its own names, pages and files alike."""

    def guarded(environ: "WSGIEnvironment", start_response: "StartResponse") -> Iterable[bytes]:
        if _host_of(environ.get("HTTP_HOST", "")) in hosts:
            return served(environ, start_response)
        refusal = refused(Problem(title="Misdirected", status=421, detail="This name is not served here."))
        return refusal(environ, start_response)

    return guarded


def refused(problem: Problem) -> Response:
    """Return a refusal from before the application, with the headers of every answer."""
    found = answer(problem)
    found.headers.update(HEADERS)
    return found


def _host_of(host: str) -> str:
    try:
        return urlsplit(f"//{host}").hostname or ""
    except ValueError:
        return ""
