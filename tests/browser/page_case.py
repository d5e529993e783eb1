"""A test case that drives the application in Debian's Chromium, as a person at the counter would."""

import os
import re
import shutil
import unittest
from typing import Any

from playwright.sync_api import (
    Browser,
    BrowserContext,
    ConsoleMessage,
    Locator,
    Page,
    Playwright,
    expect,
    sync_playwright,
)

from hearth_bowl.paths import ROOT
from tests.api.server import ThreadServer, free_port

AXE = ROOT / "web" / "node_modules" / "axe-core" / "axe.min.js"
KEPT = "cookies,local_storage,indexeddb,cache_storage,service_workers"
SAVED = re.compile(r"^Saved$")
FLAGS = ["--no-sandbox", "--disable-gpu", "--disable-background-networking", "--no-first-run", "--disable-quic"]


def chromium() -> str:
    """Return the browser's path."""
    found = shutil.which("chromium-headless-shell") or shutil.which("chromium") or "/usr/bin/chromium"
    return os.environ.get("HEARTH_CHROMIUM") or found


def choose(box: Locator, value: str = "", text: str = "") -> None:
    """Choose one of what a choice offers: by what is kept of it, or by what it is called."""
    box.click()
    options = box.page.get_by_role("option")
    (options.filter(has_text=text) if text else options.and_(box.page.locator(f'[data-value="{value}"]'))).click()


class PageCase(unittest.TestCase):
    """`self.page` is a fresh page on a fresh demo; a message on the console fails the test.

    The pages of a class share an address and a browser's memory of scripts; what pages keep is cleared before each.
    """

    expected: tuple[str, ...] = (
        "blocked by Playwright",
        "status of 409",
        "status of 422",
        "ERR_CONNECTION",
        "ERR_EMPTY_RESPONSE",
        "ERR_CONTENT_LENGTH",
    )
    """Words of messages that are as they should be."""
    demo = True
    """Whether the kitchen is the demo's; else it is empty."""
    playwright: Playwright
    browser: Browser
    port: int
    own: BrowserContext

    @classmethod
    def setUpClass(cls) -> None:
        cls.playwright = sync_playwright().start()
        cls.addClassCleanup(cls.playwright.stop)
        cls.browser = cls.playwright.chromium.launch(executable_path=chromium(), args=FLAGS)
        cls.addClassCleanup(cls.browser.close)
        cls.port = free_port()
        cls.own = cls.browser.new_context(viewport={"width": 1280, "height": 800}, service_workers="block")
        expect.set_options(timeout=30_000)

    def setUp(self) -> None:
        self.server = ThreadServer(self.port, self.demo).start()
        self.addCleanup(self.server.stop)
        self.said: list[str] = []
        self.addCleanup(self._close_pages)
        self.page = self.own.new_page()
        self.own.new_cdp_session(self.page).send(
            "Storage.clearDataForOrigin", {"origin": self.server.url, "storageTypes": KEPT}
        )
        self._hear(self.page)

    def _close_pages(self) -> None:
        for page in self.own.pages:
            page.close()

    def afresh(self, width: int, height: int) -> Page:
        """Return the page at another size."""
        self.page.set_viewport_size({"width": width, "height": height})
        return self.page

    def new_page(self, width: int = 1280, height: int = 800, **options: Any) -> Page:
        kept = {"service_workers": "block", **options}  # what a worker asks is out of a test's sight
        context = self.browser.new_context(viewport={"width": width, "height": height}, **kept)
        self.addCleanup(context.close)
        page = context.new_page()
        self._hear(page)
        return page

    def _hear(self, page: Page) -> None:
        page.on("console", self._heard)
        page.on("pageerror", lambda error: self.said.append(str(error)))

    def _heard(self, message: ConsoleMessage) -> None:
        if message.type in ("error", "warning") and not any(words in message.text for words in self.expected):
            self.said.append(message.text)

    def open(self, place: str, page: Page | None = None) -> Page:
        page = page or self.page
        page.goto(self.server.url + place)
        expect(page.get_by_role("heading", level=1)).to_be_visible()
        return page

    def amount(self, name: str, page: Page | None = None) -> Any:
        return (page or self.page).get_by_label(f"Amount of {name}", exact=True)

    def saved(self, page: Page | None = None) -> None:
        said = (page or self.page).get_by_role("status").filter(has_text=SAVED)
        expect(said).to_be_visible()

    def stored_amount(self, recipe_id: int, position: int) -> float:
        recipe = self.server.call("GET", f"/api/recipes/{recipe_id}")[1]["recipe"]
        return float(recipe["lines"][position]["amount"])

    def violations(self, page: Page | None = None) -> list[str]:
        page = page or self.page
        page.evaluate(AXE.read_text())
        found = page.evaluate("() => axe.run().then(r => r.violations.map(v => `${v.id}: ${v.nodes[0].html}`))")
        return list(found)

    def tearDown(self) -> None:
        self.assertEqual(self.said, [])
