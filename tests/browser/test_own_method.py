"""The cook's own method: worded, timed, added and left out on Formula; followed at the Stove, printed on the card."""

import re

from playwright.sync_api import Locator, expect

from tests.browser.page_case import PageCase


class OwnMethod(PageCase):
    def change(self, title: str) -> Locator:
        self.page.get_by_role("button", name=f"Change “{title}”", exact=True).click()
        return self.page.get_by_role("dialog", name=f"Change “{title}”")

    def test_it_is_kept_followed_and_printed_and_ours_comes_back(self) -> None:
        page = self.open("/recipes/1/formula")
        page.get_by_role("button", name="Method").click()
        method = page.get_by_role("region", name="Method")
        form = self.change("Join cream and chocolate")
        form.get_by_label("In your own words").fill("Pour it on in three goes.")
        form.get_by_label("Minutes").fill("12")
        form.get_by_role("button", name="Use my step").click()
        expect(method).to_contain_text("Pour it on in three goes. (your words)")
        form = self.change("Join cream and chocolate")
        form.get_by_label("Add a step after this one").fill("Tap the bowl on the table.")
        form.get_by_role("button", name="Add step").click()
        expect(method).to_contain_text("Tap the bowl on the table.")
        self.change("Tap the bowl on the").get_by_role("button", name="Move up").click()
        expect(method).to_contain_text(re.compile("Tap the bowl.*Join cream"))
        self.assertEqual(self.violations(), [])
        form = self.change("Chop the chocolate")
        expect(form.get_by_role("button", name="Leave out step")).to_have_count(0)  # chocolate goes in there
        page.keyboard.press("Escape")
        form = self.change("Weigh everything")
        form.get_by_role("button", name="Leave out step").click()
        expect(method.get_by_role("button", name="Change “Weigh everything”")).to_have_count(0)
        method.get_by_role("button", name="Restore step").click()
        expect(method.get_by_role("button", name="Change “Weigh everything”")).to_be_visible()
        self.saved()
        page = self.open("/recipes/1/stove")
        expect(page.get_by_text("Tap the bowl on the").first).to_be_visible()
        page = self.open("/recipes/1/card")
        expect(page.get_by_text("Pour it on in three goes.")).to_be_visible()
        page = self.open("/recipes/1/formula")
        page.get_by_role("button", name="Method").click()
        form = self.change("Join cream and chocolate")
        form.get_by_role("button", name="Use suggested step").click()
        expect(method).not_to_contain_text("in three goes")
        page.get_by_role("button", name="Undo").click()
        expect(method).to_contain_text("in three goes")

    def test_where_card_and_handbook_differ_one_press_takes_the_usual(self) -> None:
        step = {"text": "Boil to 125 °C.", "kind": "boil", "to_c": 125.0, "minutes": None, "ingredients": []}
        rows = self.server.call("GET", "/api/recipes")[1]["recipes"]
        fudge = next(row["id"] for row in rows if row["family"] == "boiled-fudge")
        recipe = self.server.call("GET", f"/api/recipes/{fudge}")[1]
        body = {"revision": recipe["revision"], "recipe": {**recipe["recipe"], "steps": [step]}}
        self.assertEqual(self.server.call("PUT", f"/api/recipes/{fudge}", body)[0], 200)
        page = self.open(f"/recipes/{fudge}/formula")
        page.get_by_role("button", name="Method").click()
        expect(page.get_by_text("The card's 125 °C leaves about")).to_be_visible()
        page.get_by_role("region", name="Method").get_by_role("button", name=re.compile("^Use 11")).click()
        expect(page.get_by_text("The card's 125 °C leaves about")).to_have_count(0)
        expect(page.get_by_role("region", name="Method")).to_contain_text("Boil to 125 °C. (your words)")
