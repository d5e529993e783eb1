"""The door to the house's network: who is not let in gets the pairing page and nothing else, no file, no answer."""

import contextlib
from collections.abc import Callable, Iterable, Mapping
from datetime import datetime
from http.cookies import CookieError, SimpleCookie
from typing import TYPE_CHECKING, Final, cast

from werkzeug.utils import redirect

from hearth_bowl.api.hosts import guard_hosts, refused
from hearth_bowl.api.problems import Problem
from hearth_bowl.service.pairing import SEEN_EVERY, Device, device_of, is_seen
from hearth_bowl.store.db import Database

if TYPE_CHECKING:
    from _typeshed.wsgi import StartResponse, WSGIApplication, WSGIEnvironment

COOKIE: Final = "hearth-bowl-device"
NETWORK: Final = "hearth_bowl.network"
DEVICE: Final = "hearth_bowl.device"
"""What the door writes of a request into its environment; no header reaches these names."""
PAIR: Final = "/pair"
LONGEST_SECRET: Final = 100


def network_door(
    served: "WSGIApplication", database: Database, hosts: Callable[[], frozenset[str]], now: Callable[[], datetime]
) -> "WSGIApplication":
    """Return the application as devices of the house reach it.

    :param served: the application with its files, unguarded.
    :param hosts: the names and addresses that it is reached by.
    """
    seen: dict[int, datetime] = {}

    def door(environ: "WSGIEnvironment", start_response: "StartResponse") -> Iterable[bytes]:
        environ[NETWORK] = True
        environ.pop(DEVICE, None)
        secret = _secret(environ)
        device = _device(database, secret, now(), seen) if secret else None
        if device is not None:
            environ[DEVICE] = device
            return served(environ, start_response)
        if environ.get("PATH_INFO") == PAIR:
            return served(environ, start_response)
        if _wants_a_page(environ):
            return redirect(PAIR, code=303)(environ, start_response)
        not_paired = Problem(title="Not paired", status=401, detail="This device is not paired. Pair it first.")
        return refused(not_paired)(environ, start_response)

    def guarded(environ: "WSGIEnvironment", start_response: "StartResponse") -> Iterable[bytes]:
        return guard_hosts(door, hosts())(environ, start_response)

    return guarded


def device_that_asks(environ: Mapping[str, object]) -> Device | None:
    """Return the device that a request comes from; None: this machine itself, or one that is not let in."""
    return cast("Device | None", environ.get(DEVICE))


def is_stranger(environ: Mapping[str, object]) -> bool:
    """Return whether a request comes over the network from what is not let in."""
    return NETWORK in environ and DEVICE not in environ


def _secret(environ: "WSGIEnvironment") -> str:
    """Return what a device proves itself with: a browser by its cookie, a gateway by its key; empty: nothing."""
    told = environ.get("HTTP_AUTHORIZATION", "")
    if told.startswith("Bearer "):
        secret = told.removeprefix("Bearer ").strip()
    else:
        try:
            found = SimpleCookie(environ.get("HTTP_COOKIE", "")).get(COOKIE)
        except CookieError:
            return ""
        secret = "" if found is None else found.value
    return secret if len(secret) <= LONGEST_SECRET else ""


def _device(database: Database, secret: str, now: datetime, seen: dict[int, datetime]) -> Device | None:
    with database.reading() as session:
        device = device_of(session, secret)
    if device is not None and now - seen.get(device.id, device.seen_at) > SEEN_EVERY:
        seen[device.id] = now
        with contextlib.suppress(OSError), database.writing() as session:  # not worth a refusal
            is_seen(session, device.id, now)
    return device


def _wants_a_page(environ: "WSGIEnvironment") -> bool:
    path, takes = environ.get("PATH_INFO", ""), environ.get("HTTP_ACCEPT", "")
    is_page = not path.startswith(("/api/", "/assets/")) and "." not in path.rsplit("/", 1)[-1]
    return environ.get("REQUEST_METHOD") == "GET" and is_page and "text/html" in takes
