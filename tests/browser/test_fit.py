"""Fit in the browser: choose a vessel, read the grams, take them back."""

from playwright.sync_api import expect

from tests.browser.page_case import PageCase


class Fit(PageCase):
    def test_a_mould_gives_grams_that_go_back_to_the_formula(self) -> None:
        self.open("/recipes/5/formula")
        self.page.get_by_role("button", name="Fit to a pan or mould").click()
        self.page.get_by_role("radio", name="Signal cones, 20").check()
        expect(self.page.get_by_text("20 pieces of")).to_be_visible()
        cream = self.page.get_by_role("row", name="Whipping cream 35 %").get_by_role("cell").text_content()
        self.page.get_by_role("button", name="Take these amounts").click()
        expect(self.amount("Whipping cream 35 %")).to_have_value(cream or "")
        self.saved()

    def test_the_drawing_and_the_grams_follow_what_is_typed(self) -> None:
        self.open("/recipes/3/fit")
        expect(self.page.get_by_role("img", name="cut 8 by 8")).to_be_visible()
        self.page.get_by_label("Thick, mm").fill("12")
        expect(self.page.get_by_role("img", name="12 mm of filling in a pan 25 mm deep")).to_be_visible()
        self.page.get_by_label("Thick, mm").fill("40")
        expect(self.page.get_by_text("40 mm is over the pan's rim: up to 25 mm")).to_be_visible()
        expect(self.page.get_by_role("heading", name="That does not fit")).to_be_visible()

    def test_a_wall_that_fills_the_cavity_is_refused_with_its_limit(self) -> None:
        self.open("/recipes/5/fit")
        self.page.get_by_label("Wall, mm").fill("15")
        expect(self.page.get_by_text("less than 15 mm")).to_be_visible()
        self.page.get_by_label("Wall, mm").fill("1.5")
        expect(self.page.get_by_role("button", name="Take these amounts")).to_be_enabled()

    def test_the_batch_as_it_is_fills_so_many(self) -> None:
        self.open("/recipes/5/fit")
        self.page.get_by_role("button", name="Use the 395 g of the recipe as they are").click()
        expect(self.page.get_by_text("395 g of filling")).to_be_visible()
        expect(self.page.get_by_text("4 times")).to_be_visible()

    def test_a_change_just_made_is_what_is_fitted(self) -> None:
        self.open("/recipes/5/formula")
        self.amount("Milk chocolate 38 %").fill("300 g")
        self.page.get_by_role("link", name="Fit").click()
        expect(self.page.get_by_role("button", name="Use the 475 g of the recipe as they are")).to_be_visible()
