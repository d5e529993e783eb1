"""Fit to a pan, on a phone, and by what is asked: every question that a pan has, with its drawing and its refusals."""

import re

from playwright.sync_api import expect

from tests.browser.page_case import PageCase, choose


class Pan(PageCase):
    def test_so_many_pieces_make_the_squarest_grid(self) -> None:
        page = self.open("/recipes/3/fit")
        page.get_by_label("or each, mm").fill("")
        page.get_by_label("by, mm").fill("")
        page.get_by_label("Pieces").fill("36")
        expect(page.get_by_role("img", name="cut 6 by 6")).to_be_visible()
        expect(page.get_by_text("36 pieces of")).to_be_visible()
        expect(page.get_by_text("33.3 mm × 33.3 mm")).to_be_visible()

    def test_trim_and_the_width_of_a_cut_take_their_room(self) -> None:
        page = self.open("/recipes/3/fit")
        expect(page.get_by_role("img", name="cut 8 by 8")).to_be_visible()
        page.get_by_label("Trim, mm").fill("4")
        expect(page.get_by_role("img", name="cut 7 by 7")).to_be_visible()
        page.get_by_label("Trim, mm").fill("0")
        page.get_by_label("Cut width, mm").fill("1")
        expect(page.get_by_role("img", name="cut 7 by 7")).to_be_visible()

    def test_so_many_pieces_take_the_place_of_their_size_and_a_size_that_of_their_number(self) -> None:
        page = self.open("/recipes/3/fit")
        page.get_by_label("Pieces").fill("36")
        expect(page.get_by_label("or each, mm")).to_have_value("")
        expect(page.get_by_role("img", name="cut 6 by 6")).to_be_visible()
        page.get_by_label("or each, mm").fill("50")
        expect(page.get_by_label("Pieces")).to_have_value("")
        expect(page.get_by_role("img", name="cut 4 by 4")).to_be_visible()

    def test_pieces_larger_than_the_pan_are_refused(self) -> None:
        page = self.open("/recipes/3/fit")
        page.get_by_label("or each, mm").fill("300")
        expect(page.get_by_text("not one such piece fits the pan")).to_be_visible()
        expect(page.get_by_role("heading", name="That does not fit")).to_be_visible()
        expect(page.get_by_role("button", name="Take these amounts")).to_have_count(0)

    def test_a_batch_says_how_deep_it_stands_in_another_pan(self) -> None:
        page = self.open("/recipes/3/fit")
        page.get_by_role("button", name="Use the 853 g of the recipe as they are").click()
        expect(page.get_by_text(re.compile(r"Make 853 g, 1[56](\.\d)? mm thick"))).to_be_visible()
        page.get_by_role("radio", name="Round tin, 18 cm").check()
        expect(page.get_by_text(re.compile(r"Make 853 g, 2[345](\.\d)? mm thick"))).to_be_visible()
        page.get_by_role("button", name="Fill the vessel instead").click()
        expect(page.get_by_text("30 mm thick")).to_be_visible()

    def test_a_loaf_shows_its_slope_and_a_mould_its_shell(self) -> None:
        page = self.open("/recipes/3/fit")
        page.get_by_label("or each, mm").fill("")
        page.get_by_label("by, mm").fill("")
        page.get_by_role("radio", name="Loaf tin").check()
        page.get_by_label("Thick, mm").fill("30")
        expect(page.get_by_role("img", name="30 mm of filling in a pan 65 mm deep")).to_be_visible()
        page.get_by_role("radio", name="Star mould, 15, weighed").check()
        expect(page.get_by_role("img", name="drawn as the half ball of equal volume")).to_be_visible()
        expect(page.get_by_text("±7 % if round")).to_be_visible()

    def test_halves_have_no_caps_and_twice_the_cavities(self) -> None:
        page = self.open("/recipes/5/fit")
        page.get_by_label("Join two halves into one piece").check()
        expect(page.get_by_text("12 pieces of")).to_be_visible()
        expect(page.get_by_label("Cap, mm")).to_have_count(0)
        expect(page.get_by_text("keep a little chocolate to seal the seams")).to_be_visible()
        choose(page.get_by_label("Shell"), "none")
        expect(page.get_by_label("Wall, mm")).to_have_count(0)
        expect(page.get_by_text("Chocolate to have melted")).to_have_count(0)

    def test_taking_the_amounts_can_be_undone_on_the_bench(self) -> None:
        page = self.open("/recipes/5/fit")
        page.get_by_role("button", name="Take these amounts").click()
        expect(self.amount("Milk chocolate 38 %")).to_have_value("59 g")
        page.get_by_role("button", name="Undo", exact=True).click()
        expect(self.amount("Milk chocolate 38 %")).to_have_value("220 g")
        self.saved()
        self.assertEqual(self.stored_amount(5, 2), 220)


class Phone(PageCase):
    def test_a_recipe_is_changed_aimed_and_fitted_on_a_phone(self) -> None:
        page = self.new_page(390, 844, has_touch=True, is_mobile=True)
        self.open("/recipes/1/formula", page)
        self.amount("Dark chocolate 64 %", page).fill("250 g")
        expect(page.get_by_text("Too soft to roll at 21 °C")).to_be_visible()
        self.amount("Dark chocolate 64 %", page).press("Enter")
        page.get_by_role("button", name="Aim").tap()
        page.get_by_role("button", name="Move the amounts").tap()
        page.get_by_role("button", name="Keep it").tap()
        expect(page.get_by_text("Rolls cleanly at 21 °C")).to_be_visible()
        page.get_by_role("button", name="Fit to a pan or mould").tap()
        expect(page.get_by_role("button", name="Take these amounts")).to_be_visible()
        self.assertLessEqual(page.evaluate("document.documentElement.scrollWidth"), 390)

    def test_thin_layers_of_the_bowl_are_told_below_it(self) -> None:
        page = self.new_page(390, 844)
        self.open("/recipes/2/formula", page)
        expect(page.get_by_text("Thin layers: Sugar crystals")).to_be_visible()


class Kitchen(PageCase):
    def test_what_cannot_be_is_refused_at_its_field_and_not_kept(self) -> None:
        page = self.open("/recipes/1/formula")
        page.get_by_role("button", name="Kitchen 21 °C, 340 m up").click()
        page.get_by_label("In boiling water your thermometer shows").fill("80")
        page.keyboard.press("Tab")
        expect(page.get_by_text("the thermometer is broken or the water did not boil")).to_be_visible()
        settings = self.server.call("GET", "/api/settings")[1]
        self.assertIsNone(settings["thermometer_in_boiling_water_c"])

    def test_a_finer_scale_stops_asking(self) -> None:
        page = self.open("/recipes/1/formula")
        expect(page.get_by_text("Too little for a 1 g scale")).to_be_visible()
        page.get_by_role("button", name="Kitchen 21 °C, 340 m up").click()
        page.get_by_label("Scale reads, g").fill("0,1")
        page.keyboard.press("Tab")
        page.keyboard.press("Escape")
        page.reload()
        expect(self.amount("Salt")).to_have_value("1 g")
        expect(page.get_by_text("Too little for a")).to_have_count(0)
        self.assertEqual(self.server.call("GET", "/api/settings")[1]["scale_step_g"], 0.1)
