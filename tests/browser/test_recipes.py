"""Recipes in the browser: found, copied, taken out, deleted and brought back."""

from playwright.sync_api import expect

from tests.browser.page_case import PageCase


class Recipes(PageCase):
    def act(self, of: str, what: str) -> None:
        """Open the actions of one thing of the list, and press one."""
        self.page.get_by_role("button", name=f"Actions for {of}", exact=True).click()
        actions = self.page.get_by_role("dialog", name=f"Actions for {of}")
        actions.get_by_role("link", name=what).or_(actions.get_by_role("button", name=what)).click()

    def test_a_recipe_is_found_by_what_is_in_it_copied_deleted_and_brought_back(self) -> None:
        page = self.open("/recipes")
        expect(page.get_by_role("heading", level=1)).to_contain_text("12 recipes")
        planets = page.get_by_role("list", name="What you make").get_by_role("listitem").filter(has_text="First-light")
        expect(planets).to_contain_text("12 of 16 g, best within 7–10 days")
        expect(planets).to_contain_text("Last time: just right, leaked")
        names = page.get_by_role("link", name="Night-sky truffles", exact=True)
        expect(names).to_be_visible()
        page.get_by_label("Find by name").fill("hazelnut nuts")
        expect(names).to_have_count(0)
        expect(page.get_by_role("link", name="Eyepiece hazelnut paste", exact=True)).to_be_visible()
        page.get_by_label("Find by name").fill("Night-sky")
        self.act("Night-sky truffles", "Copy recipe")
        expect(page.get_by_role("heading", level=1)).to_have_text("Night-sky truffles, copy")
        page.get_by_role("link", name="Recipes").first.click()
        row = page.get_by_role("listitem").filter(has_text="Night-sky truffles, copy")
        self.act("Night-sky truffles, copy", "Delete")  # what it is made into: the mix stays
        page.get_by_role("button", name="Delete").last.click()
        mixes = page.get_by_role("list", name="Mixes")
        expect(mixes.get_by_role("listitem").filter(has_text="Night-sky truffles, copy")).to_be_visible()
        expect(row).to_have_count(1)  # the two lists are fetched one after the other
        self.act("Night-sky truffles, copy", "Delete")
        page.get_by_role("button", name="Delete").last.click()
        expect(page.get_by_text("“Night-sky truffles, copy” is deleted.")).to_be_visible()
        expect(row).to_have_count(0)
        page.get_by_role("button", name="Restore recipe").click()
        expect(row).to_be_visible()
        self.assertEqual(self.violations(), [])
        self.assertEqual(self.said, [])

    def test_a_recipe_is_put_away_and_its_card_printed(self) -> None:
        page = self.open("/recipes")
        self.act("Night-sky truffles", "Archive recipe")
        expect(page.get_by_role("list", name="Archived mixes")).to_contain_text("Night-sky truffles")
        expect(page.get_by_role("list", name="Archived", exact=True)).to_contain_text("Night-sky drops")
        self.act("Night-sky drops", "Restore recipe")
        expect(page.get_by_role("heading", name="Archived")).to_have_count(0)
        self.act("Night-sky truffles", "Card")
        expect(page.get_by_role("cell", name="about ¾ cup")).to_be_visible()
        self.assertEqual(self.violations(), [])
        sheet = page.get_by_role("link", name="Print card").get_attribute("href")
        self.assertTrue(page.request.get(f"{self.server.url}{sheet}").body().startswith(b"%PDF-"))
        page.emulate_media(media="print")
        expect(page.get_by_role("link", name="Print card")).to_be_hidden()
        expect(page.get_by_role("link", name="Make it now")).to_be_hidden()
        expect(page.get_by_role("heading", name="Night-sky truffles")).to_be_visible()
        page.emulate_media(media="screen")
        page.get_by_role("link", name="Make it now").click()
        expect(page.get_by_role("button", name="Start cooking")).to_be_visible()

    def test_amounts_are_typed_in_the_persons_own_ounces(self) -> None:
        settings = self.server.call("GET", "/api/settings")[1]
        self.server.call("PUT", "/api/settings", {**settings, "mass_unit": "oz"})
        page = self.open("/occasions")
        page.get_by_label("Melting pot holds, oz").fill("20")
        self.saved()
        stored = self.server.call("GET", "/api/occasions")[1]["occasions"][0]["asked"]
        self.assertAlmostEqual(stored["pot_g"], 567, places=0)
