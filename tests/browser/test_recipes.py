"""Recipes in the browser: found, copied, taken out, deleted and brought back."""

import json
import re

from playwright.sync_api import expect

from tests.browser.page_case import PageCase


class Recipes(PageCase):
    def test_a_recipe_is_found_by_what_is_in_it_copied_deleted_and_brought_back(self) -> None:
        page = self.open("/recipes")
        names = page.get_by_role("link", name="Night-sky truffles", exact=True)
        expect(names).to_be_visible()
        page.get_by_label("Find by name").fill("hazelnut nuts")
        expect(names).to_have_count(0)
        expect(page.get_by_role("link", name="Eyepiece hazelnut paste", exact=True)).to_be_visible()
        page.get_by_label("Find by name").fill("Night-sky")
        page.get_by_role("button", name="Copy Night-sky truffles").click()
        expect(page.get_by_role("heading", level=1)).to_have_text("Night-sky truffles, copy")
        page.get_by_role("link", name="Recipes").first.click()
        row = page.get_by_role("listitem").filter(has_text="Night-sky truffles, copy")
        row.get_by_role("button", name="Delete").click()
        page.get_by_role("button", name="Delete").last.click()
        expect(page.get_by_text("“Night-sky truffles, copy” is deleted.")).to_be_visible()
        expect(row).to_have_count(0)
        page.get_by_role("button", name="Bring it back").click()
        expect(row).to_be_visible()
        self.assertEqual(self.violations(), [])
        self.assertEqual(self.said, [])

    def test_our_own_file_pasted_is_the_recipe_again(self) -> None:
        record = self.server.call("GET", "/api/recipes/1/recipe.json")[1]
        page = self.open("/recipes/2/formula")
        page.get_by_role("button", name="Recipes").click()
        page.get_by_role("button", name="Paste a recipe").click()
        page.get_by_label("A title, one ingredient a line").fill(json.dumps({**record, "name": "From a file"}))
        page.get_by_role("button", name="Read it").click()
        expect(page.get_by_text("Not sure of")).to_have_count(0)
        page.get_by_role("button", name="Take it as a new recipe").click()
        expect(page.get_by_role("heading", level=1)).to_have_text("From a file")

    def pasted(self, text: str) -> None:
        page = self.open("/recipes/2/formula")
        page.get_by_role("button", name="Recipes").click()
        page.get_by_role("button", name="Paste a recipe").click()
        page.get_by_label("A title, one ingredient a line").fill(text)
        page.get_by_role("button", name="Read it").click()

    def test_a_doubt_is_settled_by_one_press_before_the_recipe_is_taken_or_later(self) -> None:
        page = self.page
        self.pasted("Dusk\n8 oz cream 35 %\n200 g chocolate\n40 g splendid fluffs")
        page.get_by_role("button", name="Whipping cream 35 %: fluid ounces instead").click()
        expect(page.get_by_text("2 lines are not settled")).to_be_visible()
        self.assertEqual(self.violations(), [])
        page.get_by_role("button", name="Take it as a new recipe").click()
        expect(page.get_by_role("heading", level=1)).to_have_text("Dusk")
        expect(page.get_by_text("Not complete: 1 line is not known yet")).to_be_visible()
        page.get_by_role("button", name=re.compile("^Dark chocolate 55")).click()
        page.get_by_role("button", name="Milk chocolate 33 % instead").click()
        expect(page.get_by_role("button", name=re.compile("^Milk chocolate 33"))).to_be_visible()

    def test_a_card_of_several_parts_becomes_a_confection(self) -> None:
        page = self.page
        self.pasted("Comets\nShell:\n300 g dark chocolate 60 %\nFilling:\n200 g milk chocolate 38 %\n100 ml cream 35 %")
        page.get_by_role("button", name="Take it as a confection").click()
        expect(page.get_by_label("Confection")).to_have_value("Comets")
        expect(page.get_by_role("button", name="Comets, filling")).to_be_visible()

    def test_a_recipe_is_put_away_and_its_card_printed(self) -> None:
        page = self.open("/recipes")
        page.get_by_role("button", name="Put away Night-sky truffles").click()
        expect(page.get_by_role("heading", name="Put away")).to_be_visible()
        page.get_by_role("button", name="Bring back Night-sky truffles").click()
        expect(page.get_by_role("heading", name="Put away")).to_have_count(0)
        page.get_by_role("link", name="Card of Night-sky truffles").click()
        expect(page.get_by_role("cell", name="about ¾ cup")).to_be_visible()
        self.assertEqual(self.violations(), [])
        sheet = page.get_by_role("link", name="Print it").get_attribute("href")
        self.assertTrue(page.request.get(f"{self.server.url}{sheet}").body().startswith(b"%PDF-"))
        page.emulate_media(media="print")
        expect(page.get_by_role("link", name="Print it")).to_be_hidden()
        expect(page.get_by_role("heading", name="Night-sky truffles")).to_be_visible()

    def test_amounts_are_typed_in_the_persons_own_ounces(self) -> None:
        settings = self.server.call("GET", "/api/settings")[1]
        self.server.call("PUT", "/api/settings", {**settings, "mass_unit": "oz"})
        page = self.open("/occasions")
        page.get_by_label("The pot holds, oz").fill("20")
        self.saved()
        stored = self.server.call("GET", "/api/occasions")[1]["occasions"][0]["asked"]
        self.assertAlmostEqual(stored["pot_g"], 567, places=0)

    def test_from_a_card_with_four_amounts_missing_to_a_sound_recipe_in_fewer_than_8_actions(self) -> None:
        page = self.page
        self.pasted("Dusk truffles, to roll\n200 g dark chocolate 64 %\ncream\nglucose syrup\nbutter\nsalt")
        page.get_by_role("button", name="Take it as a new recipe").click()
        expect(page.get_by_text("Too soft to roll")).to_be_visible()
        page.get_by_role("button", name=re.compile("^Try ")).first.click()
        expect(page.get_by_role("heading", name="Rolls cleanly")).to_be_visible()
