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


PICTURES: Final = (
    Picture(file="formula.png", place="/recipes/1/formula"),
    Picture(file="formula-offer.png", place="/recipes/2/formula", first=_too_much_chocolate),
    Picture(
        file="formula-why.png",
        place="/recipes/3/formula",
        first=lambda page: page.get_by_role("button", name="Why? Keeps").click(),
    ),
    Picture(file="formula-tablet.png", place="/recipes/6/formula", size=TABLET),
    Picture(file="fit-mould.png", place="/recipes/5/fit"),
    Picture(file="fit-pan.png", place="/recipes/3/fit"),
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
