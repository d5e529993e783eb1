"""A page whose forms are sentences: phrases are pressed, picked from and filled."""

import re
from typing import Any

from playwright.sync_api import Page, expect

from tests.browser.page_case import PageCase


class Phrased(PageCase):
    def phrase(self, label: str, page: Page | None = None) -> Any:
        return (page or self.page).get_by_role("button", name=re.compile(f"^{re.escape(label)}: "))

    def press(self, label: str, number: int = 0) -> None:
        """Press a phrase, again where the page moved under the finger as an answer came."""
        phrase = self.phrase(label).nth(number)
        for _ in range(3):
            phrase.click()
            try:
                expect(phrase).to_have_attribute("aria-expanded", "true", timeout=5_000)
            except AssertionError:
                continue
            return
        self.fail(f"{label} does not open")

    def pick(self, label: str, option: str, number: int = 0) -> None:
        self.press(label, number)
        self.page.get_by_role("listbox").get_by_role("option", name=re.compile(f"^{re.escape(option)}")).click()

    def take(self, label: str, figure: str, field: str = "", number: int = 0) -> None:
        self.press(label, number)
        dialog = self.page.get_by_role("dialog", name=label)
        dialog.get_by_label(field or re.compile(f"^{label}")).fill(figure)
        dialog.get_by_role("button", name="Use this").click()
