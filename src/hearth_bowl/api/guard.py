"""The guard: whose requests are answered and what they may do, how large they may be, and what a page may load."""

from typing import Final
from urllib.parse import urlsplit

from flask import Flask, Response, request
from werkzeug.exceptions import Forbidden, Unauthorized

from hearth_bowl.api.headers import HEADERS
from hearth_bowl.api.may import SAFE_METHODS, may, refusal
from hearth_bowl.api.network_door import PAIR, device_that_asks, is_stranger
from hearth_bowl.api.problems import Problem, answer, bad_input
from hearth_bowl.core.errors import BadInput
from hearth_bowl.formats.strict_json import LARGEST_FILE_BYTES, read_json

PICTURES: Final = "/photographs"
LARGEST_PICTURE_BYTES: Final = 20_000_000
"""A photograph as a camera takes it."""
WHOLE_BATCHES: Final = "/api/batches/take-in"
LARGEST_BATCH_BYTES: Final = 20_000_000
"""A batch with the readings of a long day."""
BACKUPS: Final = "/api/data/restore"
LARGEST_BACKUP_BYTES: Final = 4_000_000_000
"""A kitchen of many years with its photographs."""


def register_guard(app: Flask) -> None:
    """Refuse writes from other origins, bodies that are too large and JSON that is none."""
    app.config["MAX_CONTENT_LENGTH"] = LARGEST_FILE_BYTES

    @app.before_request
    def _refuse() -> Response | None:
        device = device_that_asks(request.environ)
        if is_stranger(request.environ) and request.path != PAIR:
            raise Unauthorized("This device is not paired. Pair it first.")
        if not may(device, request.endpoint or "", request.method):
            raise Forbidden(refusal(device.role if device else "cook"))
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
        for name, value in HEADERS.items():
            response.headers.setdefault(name, value)
        if request.path.startswith("/api/"):
            response.headers["Cache-Control"] = "no-store"
        return response


def _refuse_other_origins() -> None:
    origin = request.headers.get("Origin")
    if origin is not None and urlsplit(origin).netloc != request.host:
        raise Forbidden("Writes are taken from this application's own pages only.")
    if request.headers.get("Sec-Fetch-Site", "same-origin") not in ("same-origin", "none"):
        raise Forbidden("Writes are taken from this application's own pages only.")
