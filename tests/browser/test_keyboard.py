"""The bench by keyboard alone, files in by hand, and ranges that stay ranges."""

import json
import tempfile
from pathlib import Path

from playwright.sync_api import expect

from tests.browser.page_case import PageCase

DARK = "Dark chocolate 64 %"


class Keyboard(PageCase):
    def test_aim_opens_moves_and_closes_by_keys_and_gives_the_focus_back(self) -> None:
        page = self.open("/recipes/1/formula")
        aim = page.get_by_role("button", name="Set a target")
        aim.focus()
        page.keyboard.press("Enter")
        expect(page.get_by_label("Use")).to_be_focused()
        page.keyboard.press("Escape")
        expect(aim).to_be_focused()
        page.keyboard.press("Enter")
        page.get_by_role("button", name="Adjust amounts").focus()
        page.keyboard.press("Enter")
        keep = page.get_by_role("button", name="Keep changes")
        expect(keep).to_be_visible()
        keep.focus()
        page.keyboard.press("Enter")
        expect(keep).to_have_count(0)

    def test_a_pin_and_the_why_by_keys(self) -> None:
        page = self.open("/recipes/1/formula")
        pin = page.get_by_role("button", name=f"Pin {DARK}")
        pin.focus()
        page.keyboard.press("Space")
        expect(page.get_by_text("The chocolate is pinned, so the cream changes")).to_be_visible()
        why = page.get_by_role("button", name="Why? Firmness at 21 °C")
        why.focus()
        page.keyboard.press("Enter")
        expect(page.get_by_role("img", name="Set from fridge to hand")).to_be_visible()
        page.keyboard.press("Escape")
        expect(why).to_be_focused()

    def test_the_keys_are_shown_by_a_question_mark(self) -> None:
        page = self.open("/recipes/1/formula")
        page.get_by_role("heading", level=1).click()
        page.keyboard.press("?")
        expect(page.get_by_role("dialog", name="Keys")).to_contain_text("undo; with Shift redo")


class Amounts(PageCase):
    def test_a_range_stays_a_range_and_its_mean_counts(self) -> None:
        page = self.open("/recipes/1/formula")
        self.amount("Butter, unsalted").fill("1 to 2 tbsp")
        self.amount("Butter, unsalted").press("Enter")
        expect(self.amount("Butter, unsalted")).to_have_value("1 to 2 tbsp")
        expect(page.get_by_text("that is 21 g ± 7 g")).to_be_visible()

    def test_a_tin_and_bars_are_taken_as_they_are_sold(self) -> None:
        page = self.open("/recipes/3/formula")
        self.amount("Sweetened condensed milk").fill("1 tin")
        self.amount("Sweetened condensed milk").press("Enter")
        expect(page.get_by_text("that is 397 g ± 4 g")).to_be_visible()
        self.amount("Dark chocolate 55 %").fill("4 bars")
        self.amount("Dark chocolate 55 %").press("Enter")
        expect(page.get_by_text("that is 400 g ± 4 g")).to_be_visible()

    def test_a_spoonful_out_of_proportion_is_questioned(self) -> None:
        page = self.open("/recipes/1/formula")
        self.amount("Salt").fill("2 tbsp")
        expect(page.get_by_text("was it a teaspoon?")).to_be_visible()

    def test_what_could_not_be_read_is_not_hidden_by_another_change(self) -> None:
        page = self.open("/recipes/1/formula")
        self.amount("Butter, unsalted").fill("a knob")
        expect(page.get_by_role("alert")).to_be_visible()
        self.amount(DARK).press("ArrowUp")
        expect(self.amount(DARK)).to_have_value("391 g")
        self.saved()
        expect(self.amount("Butter, unsalted")).to_have_value("a knob")
        expect(page.get_by_role("alert")).to_contain_text("is not a unit")


class Files(PageCase):
    def test_a_page_from_a_file_and_a_larder_from_csv(self) -> None:
        with tempfile.TemporaryDirectory() as folder:
            recipe = {"@type": "Recipe", "name": "Dome bites", "recipeIngredient": ["200 g dark chocolate 70%"]}
            page_file, csv_file = Path(folder) / "page.json", Path(folder) / "larder.csv"
            page_file.write_text(json.dumps(recipe))
            csv_file.write_text("label,pack_g,price\ndark70,1000,16\n")
            page = self.open("/read")
            page.get_by_label("or open a file").set_input_files(page_file)
            page.get_by_role("button", name="Make it mine").click()
            expect(page.get_by_role("heading", level=1)).to_have_text("Dome bites")
            self.open("/larder")
            page.get_by_label("Import CSV").set_input_files(csv_file)
            expect(page.get_by_text("One row taken.")).to_be_visible()
            expect(page.get_by_role("row", name="Dark chocolate 70 % 1000 g 16.00 1.60 –")).to_be_visible()
            csv_file.write_text("label,pack_g\ndark70,heavy\n")
            page.get_by_label("Import CSV").set_input_files(csv_file)
            expect(page.get_by_text("Nothing was imported.")).to_be_visible()
