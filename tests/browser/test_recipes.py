"""Recipes in the browser: found, copied, taken out, deleted and brought back."""

import json

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
