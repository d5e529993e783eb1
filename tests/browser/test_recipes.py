"""Recipes in the browser: found, copied, taken out, deleted and brought back."""

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
        row.get_by_role("button", name="Delete").click()  # what it is made into: the mix stays
        page.get_by_role("button", name="Delete").last.click()
        expect(row.get_by_role("button", name="Copy Night-sky truffles, copy")).to_be_visible()
        row.get_by_role("button", name="Delete").click()
        page.get_by_role("button", name="Delete").last.click()
        expect(page.get_by_text("“Night-sky truffles, copy” is deleted.")).to_be_visible()
        expect(row).to_have_count(0)
        page.get_by_role("button", name="Restore recipe").click()
        expect(row).to_be_visible()
        self.assertEqual(self.violations(), [])
        self.assertEqual(self.said, [])

    def test_a_recipe_is_put_away_and_its_card_printed(self) -> None:
        page = self.open("/recipes")
        page.get_by_role("button", name="Archive recipe Night-sky truffles").click()
        expect(page.get_by_role("heading", name="Archived")).to_be_visible()
        page.get_by_role("button", name="Restore recipe Night-sky truffles").click()
        expect(page.get_by_role("heading", name="Archived")).to_have_count(0)
        page.get_by_role("link", name="Card of Night-sky truffles").click()
        expect(page.get_by_role("cell", name="about ¾ cup")).to_be_visible()
        self.assertEqual(self.violations(), [])
        sheet = page.get_by_role("link", name="Print card").get_attribute("href")
        self.assertTrue(page.request.get(f"{self.server.url}{sheet}").body().startswith(b"%PDF-"))
        page.emulate_media(media="print")
        expect(page.get_by_role("link", name="Print card")).to_be_hidden()
        expect(page.get_by_role("heading", name="Night-sky truffles")).to_be_visible()

    def test_amounts_are_typed_in_the_persons_own_ounces(self) -> None:
        settings = self.server.call("GET", "/api/settings")[1]
        self.server.call("PUT", "/api/settings", {**settings, "mass_unit": "oz"})
        page = self.open("/occasions")
        page.get_by_label("Melting pot holds, oz").fill("20")
        self.saved()
        stored = self.server.call("GET", "/api/occasions")[1]["occasions"][0]["asked"]
        self.assertAlmostEqual(stored["pot_g"], 567, places=0)
