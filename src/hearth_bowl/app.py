"""create_app: builds the parts, joins them, nothing else."""

import hashlib
import re
import time
from datetime import UTC, datetime
from functools import lru_cache
from pathlib import Path
from typing import TYPE_CHECKING, Any, Final

from flask import Flask, Response, send_from_directory
from flask.typing import ResponseReturnValue
from werkzeug.exceptions import NotFound
from werkzeug.routing import IntegerConverter
from whitenoise import WhiteNoise

from hearth_bowl.api.batches import batches
from hearth_bowl.api.confections import confections
from hearth_bowl.api.context import LARGEST_ID
from hearth_bowl.api.data import data
from hearth_bowl.api.daybook import daybook
from hearth_bowl.api.fit import fit
from hearth_bowl.api.formula import formula
from hearth_bowl.api.guard import register_guard
from hearth_bowl.api.hosts import LOOPBACK_HOSTS, guard_hosts
from hearth_bowl.api.ingredients import ingredients
from hearth_bowl.api.larder import larder
from hearth_bowl.api.learned import learned
from hearth_bowl.api.moves import moves
from hearth_bowl.api.network_door import network_door
from hearth_bowl.api.occasions import occasions
from hearth_bowl.api.pairing import pairing
from hearth_bowl.api.prints import prints
from hearth_bowl.api.probes import probes
from hearth_bowl.api.problems import register_problems
from hearth_bowl.api.recipes import recipes
from hearth_bowl.api.running_order import running_order
from hearth_bowl.api.seen import seen
from hearth_bowl.api.setting import setting
from hearth_bowl.api.settings import settings
from hearth_bowl.api.sharing import sharing
from hearth_bowl.api.shelf import shelf
from hearth_bowl.api.spec import spec
from hearth_bowl.api.timers import timers
from hearth_bowl.api.vessels import vessels
from hearth_bowl.service.backup_job import BackupJob
from hearth_bowl.service.health import Health
from hearth_bowl.service.helper import Helper, Inline
from hearth_bowl.service.pairing import CannotOpen, House, Pairings
from hearth_bowl.service.planner import InlinePlanner, Planner
from hearth_bowl.service.seeking import Seeking
from hearth_bowl.store.db import Database

if TYPE_CHECKING:
    from _typeshed.wsgi import WSGIApplication

BUILD_MARK: Final = re.compile(r'<meta name="build" content="(\w+)"')
ASSETS_MAX_AGE_S = 31_536_000
"""A year: the names of built files carry their hash."""


class RowId(IntegerConverter):
    """A row's number in a path, no larger than the database knows: beyond it there is nothing."""

    def __init__(self, *args: Any, **kwargs: Any) -> None:
        super().__init__(*args, **{"max": LARGEST_ID, **kwargs})


def create_app(
    database: Database,
    web: Path,
    hosts: frozenset[str] = LOOPBACK_HOSTS,
    helper: Helper | None = None,
    planner: Planner | None = None,
    health: Health | None = None,
    house: House | None = None,
) -> Flask:
    """Return the application on a database, with the built front end in `web`.

    :param hosts: the names that it answers to.
    :param house: the doors to the house's own network; without them it is this machine's alone.
    :param health: what is noticed of the data, when it is opened and later.
    :param helper: works out what takes long; without one it is done here. `planner` likewise plans.
    """
    app = Flask("hearth_bowl", static_folder=None)
    app.url_map.converters["int"] = RowId
    app.extensions["hearth_bowl.database"] = database
    app.extensions["hearth_bowl.helper"] = helper or Inline()
    app.extensions["hearth_bowl.planner"] = planner or InlinePlanner()
    app.extensions["hearth_bowl.seeking"] = Seeking()
    app.extensions["hearth_bowl.health"] = health or Health()
    app.extensions["hearth_bowl.backup_job"] = BackupJob()
    app.extensions["hearth_bowl.house"] = house or NoHouse()
    app.extensions["hearth_bowl.pairings"] = Pairings(time.monotonic)
    register_guard(app)
    register_problems(app)
    for part in (
        recipes,
        vessels,
        settings,
        ingredients,
        formula,
        fit,
        occasions,
        pairing,
        running_order,
        confections,
        moves,
        larder,
        probes,
        batches,
        data,
        daybook,
        learned,
        seen,
        timers,
        setting,
        shelf,
        sharing,
        prints,
    ):
        app.register_blueprint(part)
    spec.register(app)

    @app.get("/worker.js", defaults={"name": "worker.js"})
    @app.get("/manifest.webmanifest", defaults={"name": "manifest.webmanifest"})
    def beside_the_page(name: str) -> ResponseReturnValue:
        """What keeps the pages in a browser: looked for anew each time, so that new pages are found."""
        return send_from_directory(web, name, max_age=0)

    @app.after_request
    def tell_apart(response: Response) -> Response:
        """Say of which build the pages are and whose kitchen it is, so that a browser never mixes two of them."""
        response.headers["Hearth-Bowl-Pages"] = build_of(web)
        response.headers["Hearth-Bowl-Kitchen"] = kitchen_of(database.path)
        return response

    @app.get("/", defaults={"place": ""})
    @app.get("/<path:place>")
    def page(place: str) -> ResponseReturnValue:
        """Every place of the application is one page; the API and files never are."""
        if place.startswith("api/") or "." in place.rsplit("/", 1)[-1]:
            raise NotFound("There is nothing here.")
        return send_from_directory(web, "index.html", max_age=0)

    served = app.wsgi_app
    if (web / "assets").is_dir():
        served = WhiteNoise(served, root=web / "assets", prefix="assets/", max_age=ASSETS_MAX_AGE_S)
    app.wsgi_app = guard_hosts(served, hosts)  # type: ignore[method-assign,assignment]
    if house is not None:
        house.serves(network_door(served, database, house.hosts, lambda: datetime.now(UTC)))
    return app


@lru_cache(maxsize=8)
def kitchen_of(file: Path) -> str:
    """Return a sign that tells kitchens of one machine apart: of where the data lies, which it does not tell."""
    return hashlib.sha256(str(file.resolve()).encode()).hexdigest()[:12]


def build_of(web: Path) -> str:
    """Return which build of the pages is served, as their first page has it; empty where it has none."""
    index = web / "index.html"
    try:
        return _build_in(index, index.stat().st_mtime_ns)
    except OSError:
        return ""


@lru_cache(maxsize=8)
def _build_in(index: Path, _changed: int) -> str:
    found = BUILD_MARK.search(index.read_text(encoding="utf-8"))
    return found[1] if found else ""


class NoHouse:
    """Where there is no door to the house: this machine alone is answered."""

    is_open = False
    is_safe = False
    urls: tuple[str, ...] = ()

    def serves(self, door: "WSGIApplication") -> None:
        """Nothing is served out there."""

    def hosts(self) -> frozenset[str]:
        """Return no names."""
        return frozenset()

    def open(self) -> None:
        """There is nothing to open."""
        raise CannotOpen("This machine is not made to answer other devices.")

    def close(self) -> None:
        """There is nothing to close."""
