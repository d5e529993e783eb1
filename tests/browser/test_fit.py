"""Fit in the browser: the size of a confection, its tin or mould, and the grams that go back to the recipe."""

import re

from playwright.sync_api import expect

from tests.browser.page_case import choose
from tests.browser.phrased import Phrased


class Fit(Phrased):
    def test_the_fit_of_a_recipe_leads_to_what_it_goes_into(self) -> None:
        page = self.open("/recipes/6/formula")
        page.get_by_role("button", name="Fit to a pan or mould").click()
        expect(page.get_by_text("Which one do you want to fit?")).to_be_visible()
        page.get_by_role("link", name="Late-watch cones").click()
        expect(page.get_by_role("heading", name="Late-watch cones", level=1)).to_be_attached()
        page = self.open("/recipes/7/fit")
        expect(page.get_by_role("heading", name="Moonrise drink spheres", level=1)).to_be_attached()
        expect(page.get_by_text("a mug wider than 60 mm")).to_be_visible()
        page = self.open("/recipes/3/fit")
        page.get_by_role("button", name="Make something else of it").click()
        expect(page.get_by_role("heading", name="Hill-top fudge squares", level=1)).to_be_attached()

    def test_the_thread_of_a_confection_is_walked_for_each_of_its_mixes(self) -> None:
        page = self.open("/confections/2/formula")
        mixes = page.get_by_role("navigation", name="Mixes")
        mixes.get_by_role("link", name="Eyepiece hazelnut paste").click()
        expect(page.get_by_role("heading", name="Eyepiece hazelnut paste", level=1)).to_be_visible()
        page.get_by_role("link", name="Stove", exact=True).click()
        expect(page.get_by_role("button", name="the amount for Two-sky squares")).to_be_visible()
        expect(page).to_have_title("Two-sky squares: Stove · Hearth Bowl")
        page.get_by_role("link", name="Formula", exact=True).click()
        page.get_by_role("button", name="Fit to a pan or mould").click()
        expect(page.get_by_role("heading", name="Two-sky squares", level=1)).to_be_attached()

    def test_its_grams_become_the_recipe_s_and_can_be_undone_there(self) -> None:
        page = self.open("/confections/10")
        page.get_by_role("button", name="Use these amounts in the recipe").click()
        expect(self.amount("Milk chocolate 38 %")).to_be_visible()
        before, after = 220, self.stored_amount(5, 2)
        self.assertNotEqual(after, before)
        expect(self.amount("Milk chocolate 38 %")).to_have_value(f"{after:g} g")
        page.get_by_role("button", name="Undo", exact=True).click()
        expect(self.amount("Milk chocolate 38 %")).to_have_value(f"{before} g")
        self.saved()
        self.assertEqual(self.stored_amount(5, 2), before)

    def test_a_wall_is_chosen_by_what_the_piece_is_for_and_refused_where_it_fills_the_cavity(self) -> None:
        page = self.open("/confections/9")
        self.press("Wall")
        page.get_by_role("button", name="1.5 mm: melts open in hot milk").click()
        expect(self.phrase("Wall")).to_have_text("wall 1.5 mm")
        self.take("Wall", "15")
        expect(page.get_by_text("less than 14.5 mm").first).to_be_visible()
        expect(page.get_by_text("This does not fit yet")).to_be_visible()

    def test_a_slab_is_cut_trimmed_and_marked_and_is_found_again(self) -> None:
        page = self.open("/confections/12")
        self.take("Pieces", "36")
        expect(page.get_by_role("img", name="cut 6 by 6")).to_be_visible()
        with page.context.expect_page() as opened:
            page.get_by_role("link", name="SVG").click()
        opened.value.wait_for_load_state()
        self.assertIn("36 pieces, 33.3 x 33.3 mm", opened.value.content())
        self.press("Cut")
        cut = page.get_by_role("dialog", name="Cut")
        cut.get_by_label("Each piece, mm").fill("25")
        cut.get_by_label("Trim each side, mm").fill("4")
        cut.get_by_role("button", name="Use this cut").click()
        expect(page.get_by_role("img", name="cut 7 by 7")).to_be_visible()
        self.saved()
        page.reload()
        expect(self.phrase("Cut")).to_have_text("25 × 25 mm, 4 mm trimmed off")
        self.press("Cut")
        cut.get_by_label("Each piece, mm").fill("300")
        cut.get_by_role("button", name="Use this cut").click()
        expect(page.get_by_text("not one such piece fits the pan").first).to_be_visible()

    def test_a_whole_tin_of_milk_another_tin_and_the_loss_of_this_kitchen(self) -> None:
        page = self.open("/confections/12")
        self.amount_of_part("layer", "by its thickness", "14")
        page.get_by_role("button", name=re.compile("1 tin of Sweetened condensed milk")).click()
        expect(page.get_by_text("397 g", exact=True)).to_be_visible()
        page.get_by_role("button", name="Use 8.4 %").click()
        expect(page.get_by_role("button", name="Use 8.4 %")).to_have_count(0)
        page.get_by_text("Other tins and moulds that would fit").click()
        page.get_by_role("button", name="Use Round tin, 18 cm").click()
        expect(self.phrase("Form")).to_have_text("Round tin, 18 cm")
        expect(page.get_by_role("img", name=re.compile(r"180 mm across, \d\d pieces cut of it"))).to_be_visible()
        expect(page.get_by_text("397 g", exact=True)).to_be_visible()

    def test_parts_take_their_roles_in_another_kind_of_vessel(self) -> None:
        page = self.open("/confections/1")
        self.pick("Form", "Square tin, 20 cm")
        expect(self.phrase("Layer of").first).to_have_text("Night-sky truffles")
        self.pick("Form", "Dome cake, 18 cm")
        expect(page.get_by_role("group", name=re.compile("a cake 180 mm across and 80 mm high"))).to_be_visible()
        page.get_by_role("button", name="Undo").click()
        page.get_by_role("button", name="Undo").click()
        expect(page.get_by_text(re.compile("^63 pieces of"))).to_be_visible()

    def amount_of_part(self, role: str, by: str, figure: str) -> None:
        self.press(f"How much: {role}")
        self.page.get_by_label(by).check()
        self.page.get_by_label(re.compile("^Amount,")).fill(figure)
        self.page.get_by_role("button", name="Use this").click()


class OwnVessel(Phrased):
    def test_a_vessel_is_added_changed_and_deleted(self) -> None:
        page = self.open("/confections/9")
        page.get_by_role("button", name="Add a tin, mould or other vessel").click()
        choose(page.get_by_label("What is it?"), "mould/cone")
        page.get_by_label("What you call it").fill("Lantern cones")
        page.get_by_label("Height, mm").fill("26")
        expect(page.locator("[data-active=true]")).to_contain_text("26 mm")
        page.get_by_label("Cavities", exact=True).fill("12")
        page.get_by_label("How many of it").fill("3")
        self.assertEqual(self.violations(), [])
        page.get_by_role("button", name="Add vessel").click()
        expect(self.phrase("Form")).to_have_text("Lantern cones")
        expect(page.get_by_text(re.compile("^12 pieces of"))).to_be_visible()
        page.get_by_role("button", name="Change Lantern cones").click()
        page.get_by_label("Height, mm").fill("0")
        page.get_by_role("button", name="Save changes").click()
        expect(page.get_by_text("0 mm is out of range")).to_be_visible()
        page.keyboard.press("Escape")
        self.pick("Form", "Signal cones, 20")
        self.saved()
        vessels = self.server.call("GET", "/api/vessels")[1]["vessels"]
        added = next(row for row in vessels if row["name"] == "Lantern cones")
        self.assertEqual(added["owned"], 3)

    def test_a_cavity_is_known_by_its_water_without_a_mouse(self) -> None:
        page = self.open("/confections/9")
        page.get_by_role("button", name="Add a tin, mould or other vessel").press("Enter")
        choose(page.get_by_label("What is it?"), "mould/weighed")
        expect(page.get_by_text("fill one cavity to the rim with water")).to_be_visible()
        page.get_by_label("Water in one cavity, g").fill("7,5")
        page.get_by_label("What you call it").fill("Star")
        page.keyboard.press("Enter")
        expect(self.phrase("Form")).to_have_text("Star")
