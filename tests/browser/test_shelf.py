"""From a finished batch to its label and its last piece, and from a friend's file to a run, as a cook walks it."""

import json
import re
import tempfile
from pathlib import Path
from typing import Any

from playwright.sync_api import expect

from tests.browser.page_case import PageCase
from tests.kitchen import recipe_record


class Shelf(PageCase):
    def test_from_a_finished_batch_to_a_printed_label_sheet_in_fewer_than_six_actions(self) -> None:
        page, actions = self.open("/recipes/1/stove"), 0

        def press(what: Any) -> None:
            nonlocal actions
            what.click()
            actions += 1

        press(page.get_by_role("link", name="Keep", exact=True))
        expect(page.get_by_role("heading", level=1)).to_contain_text("Keeps 3 to 7 days in the fridge")
        press(page.get_by_role("button", name="Add to shelf").first)
        made = page.get_by_role("listitem").filter(has_text="63 of 63 left")
        press(made.get_by_text("Labels to print"))
        expect(page.get_by_alt_text("The label of Moonrock truffles, as it is printed")).to_be_visible()
        self.assertEqual(self.violations(), [])
        sheet = made.get_by_role("link", name="Open label sheet (PDF)").get_attribute("href")
        self.assertTrue(page.request.get(f"{self.server.url}{sheet}").body().startswith(b"%PDF-"))
        self.assertLess(actions + 1, 6)

    def test_a_label_is_drawn_anew_while_its_confection_is_changed(self) -> None:
        page = self.open("/confections/1")
        page.get_by_text("Labels to print").click()
        page.get_by_label("Name", exact=True).fill("Moon balls")
        drawn = page.get_by_alt_text("The label of Moon balls, as it is printed")
        expect(drawn).to_have_attribute("src", re.compile("Moon%20balls"))
        page.get_by_text("Measures of the sheet").click()
        page.get_by_label("Wide, mm").fill("20")
        expect(page.get_by_role("alert")).to_contain_text("too small to read")

    def test_what_is_eaten_leaves_the_shelf_and_can_be_taken_back(self) -> None:
        page = self.open("/shelf")
        expect(page.get_by_role("heading", level=1)).to_have_text("Eat first: Moonrock truffles")
        row = page.get_by_role("listitem").filter(has_text="Moonrock truffles").first
        row.get_by_label("Pieces").first.fill("99")
        row.get_by_role("button", name="eaten").click()
        expect(row.get_by_role("alert")).to_contain_text("99 of 57 that are left")
        row.get_by_label("Pieces").first.fill("57")
        row.get_by_role("button", name="given").click()
        expect(page.get_by_role("heading", level=1)).to_have_text("Eat first: Hill-top squares")
        row = page.get_by_role("listitem").filter(has_text="Hill-top squares").first
        row.get_by_role("button", name="Freeze the rest").click()
        expect(row).to_contain_text("Keep in the freezer")
        row.get_by_role("button", name="Take that back").click()
        expect(row).to_contain_text("Keep in the fridge")
        self.assertEqual(self.violations(), [])

    def test_from_a_friends_file_to_a_run_in_fewer_than_six_actions(self) -> None:
        sent = {"format": "hearth-bowl/shared", "version": 1, "recipes": [{"recipe": recipe_record()}]}
        mine = recipe_record(lines=[{"ingredient": "dark60", "amount": 100, "unit": "g"}])
        self.server.call("POST", "/api/recipes", {"recipe": mine})
        with tempfile.TemporaryDirectory() as folder:
            file = Path(folder, "sent.json")
            file.write_text(json.dumps(sent))
            page = self.open("/recipes")
            page.get_by_role("link", name="Import a shared file").click()
            page.get_by_label("The file").set_input_files(file)
            expect(page.get_by_role("list", name="What it holds")).to_contain_text("rye, gluten")
            expect(page.get_by_role("button", name="Import file")).to_be_disabled()
            page.get_by_role("button", name="Keep both").click()
            self.assertEqual(self.violations(), [])
            page.get_by_role("button", name="Import file").click()
        page.get_by_role("link", name="Stove", exact=True).click()
        expect(page).to_have_url(re.compile("/recipes/\\d+/stove"))
        expect(page.get_by_text("Rye-malt truffle centres, as sent").first).to_be_visible()
