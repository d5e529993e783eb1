"""Pairing: the page that lets a device in, and who is let in."""

import base64
import hashlib
from datetime import timedelta
from http import HTTPStatus
from math import ceil
from pathlib import Path
from typing import Final, cast

import segno
from flask import Blueprint, current_app, render_template, request
from flask import Response as Answer
from flask.typing import ResponseReturnValue
from spectree import Response
from werkzeug.utils import redirect

from hearth_bowl.api.context import database, now
from hearth_bowl.api.network_door import COOKIE, NETWORK, PAIR, device_that_asks
from hearth_bowl.api.problems import Problem, answer
from hearth_bowl.api.spec import spec
from hearth_bowl.api.wire import Incoming, Outgoing
from hearth_bowl.core.errors import BadInput
from hearth_bowl.service import pairing as service

pairing = Blueprint("pairing", __name__, template_folder="templates")
STYLE: Final = (Path(__file__).parent / "templates" / "pair.css").read_text(encoding="utf-8")
STYLE_HASH: Final = base64.b64encode(hashlib.sha256(STYLE.encode()).digest()).decode()
HEADERS_OF_THE_PAGE: Final = {
    "Content-Security-Policy": f"default-src 'none'; style-src 'sha256-{STYLE_HASH}'; form-action 'self'; "
    "base-uri 'none'; frame-ancestors 'none'",
    "Referrer-Policy": "same-origin",  # else a browser does not say that the form is ours
    "Cache-Control": "no-store",
}
COOKIE_LASTS: Final = timedelta(days=400)
"""As long as browsers keep one (RFC 6265bis)."""
LARGEST_FORM_BYTES: Final = 4096
USUAL_NAMES: Final = (("iPad", "Tablet"), ("Tablet", "Tablet"), ("Mobile", "Phone"), ("Android", "Tablet"))
"""What a device is called at first, by a word in what its browser says of itself."""


class PairingOut(Outgoing):
    """Whether the house's network is answered, by HTTPS, where, and which devices are let in."""

    is_open: bool
    is_safe: bool
    urls: tuple[str, ...]
    devices: list[service.Device]


class MeOut(Outgoing):
    """Who asks: `here` is the machine that Hearth Bowl runs on."""

    here: bool
    id: int | None
    name: str
    role: service.Role


class NewCodeIn(Incoming):
    """A code for one device, as a cook or a helper."""

    role: str


class CodeOut(Outgoing):
    """A code, the address that carries it, and that as a QR code, a picture."""

    code: str
    role: service.Role
    minutes: int
    url: str
    qr: str


class NewKeyIn(Incoming):
    """A key for a gateway of thermometers or scales, by its name."""

    name: str


class KeyOut(Outgoing):
    """A key, told this once."""

    device: service.Device
    key: str


def house() -> service.House:
    """Return the doors to the house's network."""
    return cast(service.House, current_app.extensions["hearth_bowl.house"])


def pairings() -> service.Pairings:
    """Return the codes that are good now."""
    return cast(service.Pairings, current_app.extensions["hearth_bowl.pairings"])


@pairing.errorhandler(service.CannotOpen)
def _cannot_open(problem: service.CannotOpen) -> Answer:
    return answer(Problem(title="It cannot be opened", status=409, detail=str(problem)))


@pairing.get("/api/pairing")
@spec.validate(resp=Response(HTTP_200=PairingOut), operation_id="tellPairing")
def tell_pairing() -> PairingOut:
    """Say whether devices of the house are answered, and which are let in."""
    return _told()


@pairing.get("/api/pairing/me")
@spec.validate(resp=Response(HTTP_200=MeOut), operation_id="whoAsks")
def who_asks() -> MeOut:
    """Say as what this device is let in."""
    device = device_that_asks(request.environ)
    if device is None:
        return MeOut(here=True, id=None, name="", role="cook")
    return MeOut(here=False, id=device.id, name=device.name, role=device.role)


@pairing.post("/api/pairing/open")
@spec.validate(resp=Response(HTTP_200=PairingOut, HTTP_409=Problem), operation_id="openHouse")
def open_house() -> PairingOut:
    """Answer devices of the house, until it is closed or Hearth Bowl ends."""
    house().open()
    return _told()


@pairing.post("/api/pairing/close")
@spec.validate(resp=Response(HTTP_200=PairingOut), operation_id="closeHouse")
def close_house() -> PairingOut:
    """Answer this machine alone."""
    house().close()
    return _told()


@pairing.post("/api/pairing/codes")
@spec.validate(resp=Response(HTTP_201=CodeOut, HTTP_409=Problem, HTTP_422=Problem), operation_id="newCode")
def new_code(json: NewCodeIn) -> tuple[CodeOut, int]:
    """Make a code that lets one device in."""
    if not house().urls:
        raise service.CannotOpen("The house's network is not answered: open it first.")
    made = pairings().new_code(json.role, now(), _asking())
    url = pairing_url(house().urls[0], made)
    qr = segno.make(url, micro=False).svg_data_uri(scale=6, border=2, dark="#1b2130", light="#ffffff")
    return CodeOut(code=made.code, role=made.role, minutes=service.CODE_MIN, url=url, qr=qr), 201


def _told() -> PairingOut:
    with database().reading() as session:
        devices = service.list_devices(session)
    return PairingOut(is_open=house().is_open, is_safe=house().is_safe, urls=house().urls, devices=devices)


def pairing_url(url: str, made: service.Code) -> str:
    """Return the address that carries a code: it is good once and for minutes, so it may stand in a history."""
    return f"{url.rstrip('/')}{PAIR}?code={made.code}"


@pairing.post("/api/pairing/keys")
@spec.validate(resp=Response(HTTP_201=KeyOut, HTTP_422=Problem), operation_id="newKey")
def new_key(json: NewKeyIn) -> tuple[KeyOut, int]:
    """Let a gateway of thermometers or scales in by a key of its own."""
    with database().writing() as session:
        device, key = service.let_in(session, "thermometer", json.name, now(), _asking())
    return KeyOut(device=device, key=key), 201


@pairing.delete("/api/pairing/devices/<int:device_id>")
@spec.validate(resp=Response("HTTP_204", HTTP_404=Problem), operation_id="letGo")
def let_go(device_id: int) -> tuple[str, int]:
    """Remove a device with all that it paired: from now on they get the pairing page and nothing else."""
    with database().writing() as session:
        gone = service.let_go(session, device_id)
    pairings().void(gone)
    return "", 204


def _asking() -> int | None:
    device = device_that_asks(request.environ)
    return None if device is None else device.id


@pairing.get(PAIR)
def pair_page() -> ResponseReturnValue:
    """Show the page that lets a device in: the only one that a stranger gets."""
    if NETWORK not in request.environ:
        return redirect("/pairing", code=303)
    return _page(code=request.args.get("code", "")[:40], name=_usual_name())


@pairing.post(PAIR)
def pair() -> ResponseReturnValue:
    """Let a device in by its code."""
    if NETWORK not in request.environ:
        return redirect("/pairing", code=303)
    request.max_content_length = LARGEST_FORM_BYTES
    code, name = request.form.get("code", "")[:40], request.form.get("name", "")[:200]
    try:
        with database().reading() as session:
            service.checked_name(session, name)  # before the code is used up
        grant = pairings().use(code, request.remote_addr or "")
        with database().writing() as session:
            _, secret = service.let_in(session, grant.role, name, now(), grant.by)
    except BadInput as problem:
        return _page(code, name, f"{problem.message.capitalize()} (allowed: {problem.allowed}).", 422)
    except service.WrongCode:
        wrong = "No such code is good now: it may be mistyped, used already or too old. Take a new one."
        return _page(code, name, wrong, 403)
    except service.TooManyTries as problem:
        wrong = f"Too many codes were wrong. Try again in {ceil(problem.wait_s / 60)} minutes."
        page = _page(code, name, wrong, HTTPStatus.TOO_MANY_REQUESTS)
        page.headers["Retry-After"] = str(ceil(problem.wait_s))
        return page
    found = redirect("/", code=303)
    found.set_cookie(
        COOKIE, secret, max_age=COOKIE_LASTS, httponly=True, samesite="Strict", secure=request.is_secure, path="/"
    )
    return found


def _page(code: str, name: str, wrong: str = "", status: int = 200) -> Answer:
    page = render_template(
        "pair.html", style=STYLE, code=code, name=name, wrong=wrong, longest=service.LONGEST_NAME,
        is_secure=request.is_secure,
    )  # fmt: skip
    return Answer(page, status=status, headers=HEADERS_OF_THE_PAGE, mimetype="text/html")


def _usual_name() -> str:
    said = request.headers.get("User-Agent", "")
    return next((name for word, name in USUAL_NAMES if word in said), "Computer")
