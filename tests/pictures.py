"""Take the pictures in docs/screenshots/ from the demo: `python -m tests.pictures`."""

from collections.abc import Callable
from dataclasses import dataclass
from typing import Final

from playwright.sync_api import Page, sync_playwright

from hearth_bowl.paths import ROOT
from tests.api.server import Server
from tests.browser.page_case import FLAGS, chromium

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
    page.get_by_label("Amount of White chocolate 32 %", exact=True).fill("440 g")
    page.get_by_role("button", name="whole milk").wait_for()


def _aim(page: Page) -> None:
    page.get_by_role("button", name="Aim").click()
    page.get_by_label("It should be right").select_option("roll")
    page.get_by_role("button", name="Move the amounts").click()
    page.get_by_role("heading", name="Done. Before and after").wait_for()


CARD = """Perseid bites

7 oz semisweet chocolate, chopped
3 oz cream
1 to 2 tbsp unsalted butter
1 T rum
pinch of salt
vanilla
"""


def _read(page: Page) -> None:
    page.get_by_role("button", name="Recipes").click()
    page.get_by_role("button", name="Paste a recipe").click()
    page.get_by_label("A title, one ingredient a line").fill(CARD)
    page.get_by_label("Spoons and cups are").select_option("us")
    page.get_by_role("button", name="Read it").click()
    page.get_by_text("Not sure of").wait_for()


def _fudge(page: Page) -> None:
    page.get_by_role("button", name="Recipes").click()
    page.get_by_label("What it is", exact=True).select_option("boiled-fudge")
    page.get_by_role("button", name="Start it").click()
    page.get_by_label("or the pan has lost, g").fill("190")
    page.get_by_text("come out at").wait_for()


def _layers(page: Page) -> None:
    page.get_by_role("button", name="Add a layer").click()
    page.get_by_label("Thick, mm").nth(0).fill("14")
    page.get_by_label("Thick, mm").nth(1).fill("5")
    page.get_by_text("2 layers, 19 mm together").wait_for()


def _own_vessel(page: Page) -> None:
    page.get_by_role("button", name="Add a pan, mould or other vessel").click()
    page.get_by_label("What is it?").select_option("mould/cone")
    page.get_by_label("What you call it").fill("Lantern cones")
    page.get_by_label("Height, mm").fill("26")


PICTURES: Final = (
    Picture(file="formula.png", place="/recipes/1/formula"),
    Picture(file="formula-offer.png", place="/recipes/2/formula", first=_too_much_chocolate),
    Picture(
        file="formula-why.png",
        place="/recipes/3/formula",
        first=lambda page: page.get_by_role("button", name="Why? Keeps").click(),
    ),
    Picture(file="formula-tablet.png", place="/recipes/6/formula", size=TABLET),
    Picture(file="formula-aim.png", place="/recipes/2/formula", first=_aim),
    Picture(file="formula-read.png", place="/recipes/1/formula", first=_read),
    Picture(file="formula-fudge.png", place="/recipes/1/formula", first=_fudge),
    Picture(file="larder.png", place="/larder"),
    Picture(file="compare.png", place="/recipes/4/compare"),
    Picture(file="fit-mould.png", place="/recipes/5/fit"),
    Picture(file="fit-pan.png", place="/recipes/3/fit", first=_layers),
    Picture(file="fit-vessel.png", place="/recipes/5/fit", first=_own_vessel),
    Picture(file="boxes.png", place="/boxes"),
)


def main() -> None:
    """Take every picture."""
    FOLDER.mkdir(parents=True, exist_ok=True)
    server = Server().start()
    try:
        with sync_playwright() as playwright:
            browser = playwright.chromium.launch(executable_path=chromium(), args=FLAGS)
            for picture in PICTURES:
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
    main()
