"""The guard: whose requests are answered, how large they may be, and what a page may load."""

from collections.abc import Iterable
from typing import TYPE_CHECKING, Final
from urllib.parse import urlsplit

from flask import Flask, Response, request
from werkzeug.exceptions import Forbidden

from hearth_bowl.api.problems import Problem, answer, bad_input
from hearth_bowl.core.errors import BadInput
from hearth_bowl.formats.strict_json import LARGEST_FILE_BYTES, read_json

if TYPE_CHECKING:
    from _typeshed.wsgi import StartResponse, WSGIApplication, WSGIEnvironment

PICTURES: Final = "/photographs"
LARGEST_PICTURE_BYTES: Final = 20_000_000
"""A photograph as a camera takes it."""
WHOLE_BATCHES: Final = "/api/batches/take-in"
LARGEST_BATCH_BYTES: Final = 20_000_000
"""A batch with the readings of a long day."""
BACKUPS: Final = "/api/data/restore"
LARGEST_BACKUP_BYTES: Final = 4_000_000_000
"""A kitchen of many years with its photographs."""
SAFE_METHODS: Final = frozenset({"GET", "HEAD", "OPTIONS"})
LOOPBACK_HOSTS: Final = frozenset({"127.0.0.1", "localhost", "::1"})
CONTENT_SECURITY_POLICY: Final = "; ".join(
    (
        "default-src 'none'",
        "script-src 'self'",
        "style-src 'self'",
        "font-src 'self'",
        "img-src 'self' data:",
        "connect-src 'self'",
        "manifest-src 'self'",
        "base-uri 'none'",
        "form-action 'none'",
        "frame-ancestors 'none'",
    )
)
HEADERS: Final = {
    "Content-Security-Policy": CONTENT_SECURITY_POLICY,
    "X-Content-Type-Options": "nosniff",
    "Referrer-Policy": "no-referrer",
    "Cross-Origin-Opener-Policy": "same-origin",
    "Cross-Origin-Resource-Policy": "same-origin",
}


def register_guard(app: Flask) -> None:
    """Refuse writes from other origins, bodies that are too large and JSON that is none."""
    app.config["MAX_CONTENT_LENGTH"] = LARGEST_FILE_BYTES

    @app.before_request
    def _refuse() -> Response | None:
        if request.method in SAFE_METHODS:
            return None
        _refuse_other_origins()
        if request.path.endswith(PICTURES):
            request.max_content_length = LARGEST_PICTURE_BYTES
            if (request.mimetype or "").startswith("image/"):
                return None
        if request.path == BACKUPS:
            request.max_content_length = LARGEST_BACKUP_BYTES
            if request.mimetype == "application/zip":
                return None
        if request.path == WHOLE_BATCHES:
            request.max_content_length = LARGEST_BATCH_BYTES
        if request.content_length and request.path.startswith("/api/"):
            if not request.is_json:
                found = Problem(title="Not JSON", status=415, detail="Send application/json.")
                return answer(found)
            try:
                read_json(request.get_data(), "body", request.max_content_length or LARGEST_FILE_BYTES)
            except BadInput as problem:
                if problem.field != ("body",):
                    return bad_input(problem)
                return answer(Problem(title="Not JSON", status=400, detail=problem.message))
        return None

    @app.after_request
    def _head(response: Response) -> Response:
        response.headers.extend(HEADERS)
        if request.path.startswith("/api/"):
            response.headers["Cache-Control"] = "no-store"
        return response


def guard_hosts(served: "WSGIApplication", hosts: frozenset[str]) -> "WSGIApplication":
    """Return the application answering only to its own names, pages and files alike."""

    def guarded(environ: "WSGIEnvironment", start_response: "StartResponse") -> Iterable[bytes]:
        if _host_of(environ.get("HTTP_HOST", "")) in hosts:
            return served(environ, start_response)
        refusal = answer(Problem(title="Misdirected", status=421, detail="This name is not served here."))
        return refusal(environ, start_response)

    return guarded


def _host_of(host: str) -> str:
    try:
        return urlsplit(f"//{host}").hostname or ""
    except ValueError:
        return ""


def _refuse_other_origins() -> None:
    origin = request.headers.get("Origin")
    if origin is not None and urlsplit(origin).netloc != request.host:
        raise Forbidden("Writes are taken from this application's own pages only.")
    if request.headers.get("Sec-Fetch-Site", "same-origin") not in ("same-origin", "none"):
        raise Forbidden("Writes are taken from this application's own pages only.")
