"""A recipe on a phone, and the settings of the kitchen."""

from playwright.sync_api import expect

from tests.browser.page_case import PageCase


class Phone(PageCase):
    def test_a_recipe_is_changed_aimed_and_fitted_on_a_phone(self) -> None:
        page = self.new_page(390, 844, has_touch=True, is_mobile=True)
        self.open("/recipes/1/formula", page)
        self.amount("Dark chocolate 64 %", page).fill("250 g")
        expect(page.get_by_text("Too soft to roll at 21 °C")).to_be_visible()
        self.amount("Dark chocolate 64 %", page).press("Enter")
        page.get_by_role("button", name="Set a target").tap()
        page.get_by_role("button", name="Adjust amounts").tap()
        page.get_by_role("button", name="Keep changes").tap()
        expect(page.get_by_text("Rolls cleanly at 21 °C")).to_be_visible()
        page.get_by_role("button", name="Fit to a pan or mould").tap()
        expect(page.get_by_text("Which one do you want to fit?")).to_be_visible()
        page.get_by_role("link", name="Moonrock truffles").tap()
        expect(page.get_by_text("Use these amounts in the recipe")).to_be_visible()
        self.assertLessEqual(page.evaluate("document.documentElement.scrollWidth"), 390)

    def test_thin_layers_of_the_bowl_are_told_below_it(self) -> None:
        page = self.new_page(390, 844)
        self.open("/recipes/2/formula", page)
        expect(page.get_by_text("Thin layers: Sugar crystals")).to_be_visible()


class Kitchen(PageCase):
    def test_what_cannot_be_is_refused_at_its_field_and_not_kept(self) -> None:
        page = self.open("/recipes/1/formula")
        page.get_by_role("button", name="Kitchen 21 °C, altitude 340 m").click()
        page.get_by_label("In boiling water your thermometer shows").fill("80")
        page.keyboard.press("Tab")
        expect(page.get_by_text("the thermometer is broken or the water did not boil")).to_be_visible()
        settings = self.server.call("GET", "/api/settings")[1]
        self.assertIsNone(settings["thermometer_in_boiling_water_c"])

    def test_a_finer_scale_stops_asking(self) -> None:
        page = self.open("/recipes/1/formula")
        expect(page.get_by_text("Too little for a 1 g scale")).to_be_visible()
        page.get_by_role("button", name="Kitchen 21 °C, altitude 340 m").click()
        page.get_by_label("Scale reads, g").fill("0,1")
        page.keyboard.press("Tab")
        page.keyboard.press("Escape")
        page.reload()
        expect(self.amount("Salt")).to_have_value("1 g")
        expect(page.get_by_text("Too little for a")).to_have_count(0)
        self.assertEqual(self.server.call("GET", "/api/settings")[1]["scale_step_g"], 0.1)
