"""The server: `demo` with the demo's data, `serve` with the person's own."""

import argparse
import atexit
import contextlib
import os
import socket
import subprocess
import sys
import threading
from collections.abc import Callable, Iterator, Sequence
from datetime import UTC, datetime
from pathlib import Path
from typing import Final

import segno

from hearth_bowl.api.hosts import LOOPBACK_HOSTS
from hearth_bowl.api.pairing import pairing_url
from hearth_bowl.app import create_app
from hearth_bowl.demo.load import load_demo
from hearth_bowl.demo.today import move_to_tomorrow
from hearth_bowl.home_network import HomeNetwork
from hearth_bowl.paths import DEMO_DATA, WEB, own_data
from hearth_bowl.service.backup_job import sweep_backups
from hearth_bowl.service.backups import back_up_today
from hearth_bowl.service.health import (
    CANNOT_CHECK,
    NO_BACKUP,
    NOT_INDEXED,
    NOT_TIDIED,
    Health,
    check_data,
    remedy_words,
)
from hearth_bowl.service.helper import HelperProcess
from hearth_bowl.service.made_into import give_confections
from hearth_bowl.service.pairing import CODE_MIN, CannotOpen, Pairings
from hearth_bowl.service.planner import PlannerProcess
from hearth_bowl.service.probes import STAND_IN, ensure_probe
from hearth_bowl.service.recipe_index import index_missing
from hearth_bowl.service.retention import tidy_readings
from hearth_bowl.service.snapshot import freeze_old_batches
from hearth_bowl.store.db import Database, DiskFull, no_room_is_full
from hearth_bowl.store.held import InUse, held
from hearth_bowl.store.migrate import Unreadable, migrate
from hearth_bowl.store.restore import finish
from hearth_bowl.store.unclean import WARNING, log_is_missing, mark
from hearth_bowl.web_server import own_server

DEFAULT_PORT: Final = 8741
LOOPBACK: Final = "127.0.0.1"
TIDY_EVERY_S: Final = 6 * 3600.0
PLAIN: Final = (
    "This connection uses plain HTTP: others in the same network can read what is sent. "
    "Share in your own home network only, or give --certificate."
)
FILE: Final = "hearth-bowl.sqlite3"
FULL: Final = "The disk is full. You can read your data but not store any. Make room, then start Hearth Bowl again."


class CannotStart(RuntimeError):  # noqa: N818
    """Why the server cannot start, in one sentence."""


def run(verb: str, arguments: Sequence[str]) -> int:
    """Start the server and stay; return the exit code."""
    options = _options(verb, arguments)
    try:
        _serve(verb, options)
    except CannotStart as problem:
        print(problem, file=sys.stderr)
        return 1
    except KeyboardInterrupt:
        print("Stopped.", file=sys.stderr)
    return 0


def _options(verb: str, arguments: Sequence[str]) -> argparse.Namespace:
    parser = argparse.ArgumentParser(prog=f"hearth {verb}", allow_abbrev=False)
    parser.add_argument("--port", type=int, default=DEFAULT_PORT, help="the port to listen on")
    parser.add_argument("--share", action="store_true", help="let tablets and phones of this house in, once paired")
    parser.add_argument("--host", default=None, help="share at this address of the machine alone (0.0.0.0: at each)")
    parser.add_argument(
        "--name", action="append", default=[], help="a name that it is reached by, as a certificate has it"
    )
    parser.add_argument("--certificate", type=Path, default=None, help="your own certificate, for HTTPS at home")
    parser.add_argument("--key", type=Path, default=None, help="its key, where that is in a file of its own")
    parser.add_argument("--data", type=Path, default=None, help="the folder that holds the data")
    if verb == "demo":
        parser.add_argument("--no-devices", action="store_true", help="without the simulated probe and scale")
    options = parser.parse_args(arguments)
    if options.host in LOOPBACK_HOSTS:
        options.host = None
    elif options.host is not None:
        options.share = True
    return options


def start_stand_ins(url: str) -> list[subprocess.Popen[bytes]]:
    """Start the stand-in probe and scale beside the server; they end when the server does."""
    found = []
    for device in ("probe", "scale"):
        command = [sys.executable, "-m", f"hearth_bowl.devices.{device}", "--url", url, "--parent", str(os.getpid())]
        process = subprocess.Popen(
            command, stdin=subprocess.DEVNULL, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL
        )
        atexit.register(process.terminate)
        found.append(process)
    return found


def _serve(verb: str, options: argparse.Namespace) -> None:
    folder = options.data or (DEMO_DATA if verb == "demo" else own_data())
    _check_port(LOOPBACK, options.port)
    _check_folder(folder)
    with _held(folder, f"Hearth Bowl at http://{LOOPBACK}:{options.port}/"):
        missing = log_is_missing(folder / FILE)
        sweep_backups(folder)
        database = open_data(folder, demo=verb == "demo")
        if missing:
            print(WARNING, file=sys.stderr, flush=True)
        health = Health(WARNING if missing else "")
        try:
            with no_room_is_full():
                mark(database.path, in_use=True)
                if verb == "demo":
                    move_to_tomorrow(database, datetime.now())
        except DiskFull:
            health.say("disk", FULL)
            print(FULL, file=sys.stderr, flush=True)
        atexit.register(mark, database.path, in_use=False)
        keep_tidy(database, health)
        helper, planner = HelperProcess(), PlannerProcess()
        atexit.register(helper.close)
        atexit.register(planner.close)
        house = _house(options)
        app = create_app(database, WEB, helper=helper, planner=planner, health=health, house=house)
        server = own_server(app, LOOPBACK, options.port)
        server.prepare()
        if verb == "demo" and not options.no_devices:
            with contextlib.suppress(DiskFull), database.writing() as session:
                ensure_probe(session, STAND_IN)
            start_stand_ins(f"http://{LOOPBACK}:{options.port}")
        print(f"Hearth Bowl is at http://{LOOPBACK}:{options.port}/ (Ctrl-C stops it)", flush=True)
        if options.share:
            _share(house, app.extensions["hearth_bowl.pairings"])
        try:
            server.serve()
        finally:
            server.stop()


def _house(options: argparse.Namespace) -> HomeNetwork:
    only = None if options.host in (None, "0.0.0.0") else options.host
    try:
        return HomeNetwork(
            options.port, only=only, names=tuple(options.name), certificate=options.certificate, key=options.key
        )
    except CannotOpen as problem:
        raise CannotStart(str(problem)) from None


def _share(house: HomeNetwork, pairings: Pairings) -> None:
    """Open the doors to the house, and tell how the first device comes in."""
    try:
        house.open()
    except CannotOpen as problem:
        raise CannotStart(str(problem)) from None
    made = pairings.new_code("cook", datetime.now(UTC))
    print(f"On a tablet or phone of this house: {' or '.join(house.urls)}", flush=True)
    print(f"It pairs with the code {made.code}, good once and for {CODE_MIN} minutes; or by this picture:", flush=True)
    segno.make(pairing_url(house.urls[0], made), micro=False).terminal(compact=True)
    if not house.is_safe:
        print(PLAIN, flush=True)


@contextlib.contextmanager
def _held(folder: Path, who: str) -> Iterator[None]:
    """Hold the data's folder: no second server works on it, and no backup is put back under it."""
    try:
        with held(folder, who):
            yield
    except InUse as problem:
        raise CannotStart(str(problem)) from None


def _check_port(host: str, port: int) -> None:
    if not 1 <= port <= 65535:
        raise CannotStart(f"Port {port} is no port: choose one from 1 to 65535.")
    try:
        family = socket.AF_INET6 if ":" in host else socket.AF_INET
        with socket.socket(family, socket.SOCK_STREAM) as trial:
            trial.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
            trial.bind((host, port))
    except OSError as problem:
        raise CannotStart(
            f"Port {port} on {host} cannot be used ({problem.strerror}): stop what uses it, or give another --port."
        ) from None


def _check_folder(folder: Path) -> None:
    try:
        folder.mkdir(parents=True, exist_ok=True)
        probe = folder / ".write-test"
        probe.touch()
        probe.unlink()
    except OSError as problem:
        raise CannotStart(f"The data folder {folder} cannot be written ({problem.strerror}).") from None


def open_data(folder: Path, demo: bool) -> Database:
    """Return the database in a folder, made and migrated; with the demo's data where it was empty.

    :raises CannotStart: the folder cannot be written, or what it holds cannot be read.
    """
    file = folder / FILE
    _check_folder(folder)
    finish(folder)
    try:
        migrate(file)
    except Unreadable:
        raise CannotStart(
            f"The data in {file} cannot be read: it is damaged, or of a newer Hearth Bowl. It was left as it is. "
            f"If it is damaged: {remedy_words(folder)}"
        ) from None
    database = Database(file)
    freeze_old_batches(database)
    if demo:
        load_demo(database)
    return database


def keep_tidy(database: Database, health: Health, every_s: float = TIDY_EVERY_S) -> threading.Event:
    """Look through the data, back it up and thin old readings, now and then, beside all else; return what ends it."""
    ended = threading.Event()

    def tidy() -> None:
        while not ended.is_set():
            do_chores(database, health, datetime.now(UTC))
            ended.wait(every_s)

    threading.Thread(target=tidy, name="tidy-readings", daemon=True).start()
    return ended


def do_chores(database: Database, health: Health, now: datetime) -> None:
    """Check the data, back it up and delete old readings; a failure of one becomes a warning and stops no other."""

    def check() -> bool:
        return check_data(database.path, health)

    def back_up() -> bool:
        health.say("backup", "")
        return back_up_today(database, now)

    def tidy() -> bool:
        health.say("tidying", "")
        tidy_readings(database, now)
        return True

    def index() -> bool:
        health.say("index", "")
        index_missing(database)
        give_confections(database, now)
        return True

    if _is_done(check, health, "damage", CANNOT_CHECK):
        _is_done(index, health, "index", NOT_INDEXED)
        _is_done(back_up, health, "backup", NO_BACKUP)
        _is_done(tidy, health, "tidying", NOT_TIDIED)


def _is_done(chore: Callable[[], bool], health: Health, subject: str, words: str) -> bool:
    try:
        return chore()
    except Exception as problem:  # a thread that ends would end every later backup in silence
        health.say(subject, words.format(why=(str(problem) or type(problem).__name__).rstrip(".")))
        return False
