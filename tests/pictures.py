"""Take the pictures in docs/screenshots/ from the demo: `python -m tests.pictures`."""

import sqlite3
import sys
from collections.abc import Callable
from contextlib import closing
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from itertools import count, pairwise
from pathlib import Path
from random import Random
from typing import Final

from playwright.sync_api import Page, sync_playwright

from hearth_bowl.paths import ROOT
from tests.api.server import Server
from tests.browser.page_case import FLAGS, choose, chromium

FOLDER: Final = ROOT / "docs" / "screenshots"
LAPTOP: Final = (1280, 800)
TABLET: Final = (820, 1180)


@dataclass(frozen=True, slots=True, kw_only=True)
class Picture:
    """One picture: its file, the place it is of, and what is done there first."""

    file: str
    place: str
    first: Callable[[Page], object] = lambda page: None
    size: tuple[int, int] = LAPTOP


def _too_much_chocolate(page: Page) -> None:
    page.get_by_label("Amount of White chocolate 32 %", exact=True).fill("520 g")
    page.get_by_role("button", name="whole milk").wait_for()


CARD = """Perseid bites

7 oz semisweet chocolate, chopped
3 oz cream
1 to 2 tbsp unsalted butter
1 T rum
pinch of salt
vanilla
"""


def _read(page: Page) -> None:
    page.get_by_label("Paste the whole card").fill(CARD)
    choose(page.get_by_label("Spoons and cups are"), "us")
    page.get_by_role("heading", name="Open questions").wait_for()
    page.get_by_text("pieces of").wait_for()


def _fudge(page: Page) -> None:
    choose(page.get_by_label("What it is", exact=True), "boiled-fudge")
    page.get_by_role("button", name="Create recipe").click()
    page.get_by_label("or the pan is lighter by, g").fill("190")
    page.get_by_text("come out at").wait_for()


def _worked(page: Page) -> None:
    page.get_by_role("heading", name="To weigh").wait_for()


def _amount(page: Page) -> None:
    _worked(page)
    page.get_by_role("button", name="How much: core").click()
    page.get_by_label("Amount, g").wait_for()


PROBES: Final = count(1)


def _send(page: Page, probe: str, rows: list[tuple[float, float]]) -> None:
    now = datetime.now(UTC)
    readings = [{"at": (now - timedelta(seconds=before)).isoformat(), "c": c} for before, c in rows]
    page.request.post(_root(page) + f"/api/probes/{probe}/readings", data={"readings": readings})


def _root(page: Page) -> str:
    return "/".join(page.url.split("/")[:3])


def _stop_timers(page: Page) -> None:
    for timer in page.request.get(_root(page) + "/api/timers").json()["timers"]:
        page.request.post(_root(page) + f"/api/timers/{timer['key']}", data={"stopped": True})


def _fudge_run(page: Page, step: int, minutes: float, rows: list[tuple[float, float]]) -> None:
    """Play a boiled fudge up to now: its batch began so many minutes ago, with these readings (minute, °C)."""
    _stop_timers(page)
    probe = f"glass probe {next(PROBES)}"
    body = {"family": "boiled-fudge", "use": "cut", "chocolate": "dark60"}
    recipe = page.request.post(_root(page) + "/api/recipes/start", data=body).json()["id"]
    batch = page.request.post(_root(page) + "/api/batches", data={"recipe_id": recipe, "probe_id": probe}).json()[
        "batch"
    ]["id"]
    with closing(sqlite3.connect(server_file(page), timeout=10)) as connection, connection:
        began = (datetime.now(UTC) - timedelta(minutes=minutes)).replace(tzinfo=None).isoformat(sep=" ")
        connection.execute("UPDATE batch SET started_at = ? WHERE id = ?", (began, batch))
        connection.execute("UPDATE batch_event SET at = ? WHERE batch_id = ?", (began, batch))
    chance = Random(4)
    course = []
    for (m0, c0), (m1, c1) in pairwise(rows):
        seconds = round((m1 - m0) * 60)
        course += [
            (60 * (minutes - m0) - s, c0 + (c1 - c0) * s / seconds + 0.12 * chance.gauss(0, 1)) for s in range(seconds)
        ]
    _send(page, probe, course)
    moments = []
    if step:
        moments.append((7.0, "mark", {"name": "dissolved", "c": 84.0}))
        moments.append((8.0, "step", {"step": 1, "key": "boil", "c": 90.0}))
        moments.append((10.0, "mark", {"name": "boil", "c": 102.2}))
        moments.append((7.2, "gate", {"key": "dissolve", "gate": "ask", "answer": "yes"}))
    if step > 1:
        moments.append((rows[-2][0], "step", {"step": 2, "key": "cool-still", "c": rows[-2][1]}))
    events = [
        {
            "client_key": f"p{number}",
            "at": (datetime.now(UTC) - timedelta(minutes=minutes - minute)).isoformat(),
            "what": {"kind": kind, **data},
        }
        for number, (minute, kind, data) in enumerate(sorted(moments, key=lambda moment: moment[0]))
    ]
    page.request.post(_root(page) + f"/api/batches/{batch}/events", data={"events": events})
    for name, left in (("Shell trays, second chill", 1360.0), ("Line the tin", 190.0)):
        page.request.post(_root(page) + "/api/timers", data={"name": name, "seconds": left, "batch_id": batch})
    page.goto(_root(page) + f"/recipes/{recipe}/stove")
    page.get_by_role("img", name="Temperature from the start").wait_for()
    page.wait_for_timeout(2500)


BOIL: Final = [(0.0, 21.0), (4.0, 66.0), (7.0, 84.0), (9.9, 101.9), (13.0, 103.6), (16.0, 106.2), (18.5, 109.6)]


def _boiling(page: Page) -> None:
    _fudge_run(page, 1, 18.5, BOIL)


def _called(page: Page) -> None:
    _fudge_run(page, 1, 20.5, [*BOIL, (20.5, 114.2)])
    page.get_by_role("alertdialog").wait_for()


def _oily(page: Page) -> None:
    page.get_by_role("button", name="oily").click()
    page.get_by_text("Why", exact=True).wait_for()


def _setting(page: Page) -> None:
    _stop_timers(page)
    page.get_by_role("button", name="Start the timer").click()
    page.get_by_text("Fridge since").wait_for()
    page.get_by_label("After, min").fill("25")
    page.get_by_label("Temperature, °C").fill("27")
    page.get_by_role("button", name="Update the estimate").click()
    page.get_by_text("By the reading it cools").wait_for()
    page.get_by_text("As an 8 mm sheet").wait_for()


def _labelled(page: Page) -> None:
    page.get_by_text("Labels to print").first.click()
    page.get_by_alt_text("The label of").wait_for()


def _standing(page: Page) -> None:
    page.get_by_role("heading", name="Then").wait_for()


PICTURES: Final = (
    Picture(file="today.png", place="/"),
    Picture(file="formula.png", place="/recipes/1/formula"),
    Picture(file="formula-offer.png", place="/recipes/2/formula", first=_too_much_chocolate),
    Picture(file="formula-tablet.png", place="/recipes/6/formula", size=TABLET),
    Picture(file="formula-read.png", place="/read", first=_read),
    Picture(file="formula-fudge.png", place="/new", first=_fudge),
    Picture(file="keep.png", place="/recipes/1/keep", first=_labelled),
    Picture(file="fit-mould.png", place="/confections/10", first=_worked),
    Picture(file="confection-egg.png", place="/confections/3", first=_worked),
    Picture(file="confection-slab.png", place="/confections/2", first=_worked),
    Picture(file="confection-ball.png", place="/confections/1", first=_amount),
    Picture(file="occasion.png", place="/occasions"),
    Picture(file="order.png", place="/occasions/1/order", first=_standing),
    Picture(file="recipes.png", place="/recipes"),
    Picture(file="stove.png", place="/recipes/1/stove", first=_boiling),
    Picture(file="stove-call.png", place="/recipes/1/stove", first=_called),
    Picture(file="set.png", place="/recipes/3/set", first=_setting),
    Picture(file="daybook.png", place="/daybook/laid-over?ids=2,6"),
    Picture(file="signs.png", place="/see/recipe/3?at=join", first=_oily),
)


SERVERS: Final[dict[str, Server]] = {}


def server_file(page: Page) -> Path:
    """Return the database of the server that a page is of."""
    return SERVERS[_root(page)].database


def main(wanted: list[str]) -> None:
    """Take every picture, or those whose file's name begins so."""
    FOLDER.mkdir(parents=True, exist_ok=True)
    server = Server().start()
    SERVERS[server.url] = server
    try:
        with sync_playwright() as playwright:
            browser = playwright.chromium.launch(executable_path=chromium(), args=FLAGS)
            for picture in PICTURES:
                if wanted and not any(picture.file.startswith(name) for name in wanted):
                    continue
                width, height = picture.size
                page = browser.new_page(viewport={"width": width, "height": height})
                page.goto(server.url + picture.place)
                page.wait_for_load_state("networkidle")
                picture.first(page)
                page.wait_for_timeout(400)
                page.screenshot(path=FOLDER / picture.file)
                page.close()
            browser.close()
    finally:
        server.stop()


if __name__ == "__main__":
    main(sys.argv[1:])
