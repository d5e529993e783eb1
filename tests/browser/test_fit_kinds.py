"""Fit for every kind of vessel, one's own vessels, several recipes in one, the guide, and what is left is found."""

import re

from playwright.sync_api import expect

from tests.browser.page_case import PageCase, choose


class OwnVessel(PageCase):
    def test_a_vessel_is_added_changed_and_taken_out(self) -> None:
        page = self.open("/recipes/5/fit")
        page.get_by_role("button", name="Add a pan, mould or other vessel").click()
        choose(page.get_by_label("What is it?"), "mould/cone")
        page.get_by_label("What you call it").fill("Lantern cones")
        page.get_by_label("Height, mm").fill("26")
        expect(page.locator("[data-active=true]")).to_contain_text("26 mm")
        page.get_by_label("Cavities", exact=True).fill("12")
        page.get_by_label("How many of it").fill("3")
        self.assertEqual(self.violations(), [])
        page.get_by_role("button", name="Add it").click()
        expect(page.get_by_role("radio", name="Lantern cones")).to_be_checked()
        expect(page.get_by_text("12 pieces of")).to_be_visible()
        expect(page.get_by_text("12 of 30 mm across, 26 mm deep, 3 owned")).to_be_visible()
        page.get_by_role("button", name="Change Lantern cones").click()
        page.get_by_label("Height, mm").fill("0")
        page.get_by_role("button", name="Keep the change").click()
        expect(page.get_by_text("0 mm is out of range")).to_be_visible()
        page.get_by_role("button", name="Take it out of the list").click()
        page.get_by_role("button", name="Delete it").click()
        expect(page.get_by_role("radio", name="Lantern cones")).to_have_count(0)

    def test_a_cavity_is_known_by_its_water_without_a_mouse(self) -> None:
        page = self.open("/recipes/5/fit")
        page.get_by_role("button", name="Add a pan, mould or other vessel").press("Enter")
        choose(page.get_by_label("What is it?"), "mould/weighed")
        expect(page.get_by_text("fill one cavity to the rim with water")).to_be_visible()
        page.get_by_label("Water in one cavity, g").fill("7,5")
        page.get_by_label("What you call it").fill("Star")
        page.keyboard.press("Enter")
        expect(page.get_by_role("radio", name=re.compile("^Star 12 of 7.5 g"))).to_be_checked()


class Kinds(PageCase):
    def test_balls_are_rolled_dipped_and_kept_back(self) -> None:
        page = self.open("/recipes/1/fit")
        page.get_by_role("radio", name="Rolled, 12 g each").check()
        page.get_by_label("Pieces").fill("30")
        choose(page.get_by_label("Dipped in"), "dark60")
        page.get_by_label("Dip now").fill("14")
        expect(page.get_by_text("16 are kept back")).to_be_visible()
        expect(page.get_by_role("img", name=re.compile("a ball 2[67].* across, a coat of 1.2 mm"))).to_be_visible()
        page.get_by_label("Nut or jam inside, g").fill("12")
        expect(page.get_by_text("the core is as heavy as the piece: less than 12 g")).to_be_visible()
        page.get_by_label("Nut or jam inside, g").fill("2")
        choose(page.get_by_label("Rolled in"), "cocoa")
        expect(page.get_by_text("Cocoa powder: stand")).to_be_visible()

    def test_cups_a_scoop_and_a_cake(self) -> None:
        page = self.open("/recipes/2/fit")
        page.get_by_role("radio", name="Paper cups, 24").check()
        expect(page.get_by_text("24 pieces of")).to_be_visible()
        page.get_by_role("radio", name="Small scoop, 12 ml").check()
        expect(page.get_by_text(re.compile(r"\d+ pieces of 1\d"))).to_be_visible()
        page.get_by_role("radio", name="Dome cake, 18 cm").check()
        expect(page.get_by_text("to coat 5 mm")).to_be_visible()
        expect(page.get_by_role("img", name="a cake 180 mm across and 80 mm high")).to_be_visible()
        page.get_by_label("Use up, g").fill("100")
        expect(page.get_by_text("does not fill the cake")).to_be_visible()

    def test_drink_spheres_say_how_many_the_mix_fills(self) -> None:
        page = self.open("/recipes/7/fit")
        expect(page.get_by_text("9 pieces of")).to_be_visible()
        expect(page.get_by_text("its room is known to ±15 %")).to_be_visible()
        page.get_by_label("Mug across, mm").fill("58")
        expect(page.get_by_text("it is wider than the mug")).to_be_visible()

    def test_a_round_slab_shows_its_pieces(self) -> None:
        page = self.open("/recipes/3/fit")
        page.get_by_role("radio", name="Round tin, 18 cm").check()
        expect(page.get_by_role("img", name=re.compile(r"180 mm across, \d\d pieces cut of it"))).to_be_visible()


class Choices(PageCase):
    def test_a_whole_tin_and_another_tin(self) -> None:
        page = self.open("/recipes/3/fit")
        page.get_by_label("Thick, mm").fill("14")
        page.get_by_role("button", name=re.compile("Ask for 1 tin of Sweetened condensed milk")).click()
        expect(page.get_by_text("397 g", exact=True)).to_be_visible()
        page.get_by_text("What other vessel suits this batch?").click()
        page.get_by_role("button", name="Put it there").first.click()
        expect(page.get_by_text(re.compile(r"Make 8\d\d g"))).to_be_visible()

    def test_what_is_asked_is_found_again_and_its_guide_opens(self) -> None:
        page = self.open("/recipes/3/fit")
        page.get_by_label("or each, mm").fill("")
        page.get_by_label("by, mm").fill("")
        page.get_by_label("Pieces").fill("36")
        expect(page.get_by_role("img", name="cut 6 by 6")).to_be_visible()
        with page.context.expect_page() as opened:
            page.get_by_role("link", name="SVG").click()
        opened.value.wait_for_load_state()
        self.assertIn("guide.svg", opened.value.url)
        self.assertIn("36 pieces, 33.3 x 33.3 mm", opened.value.content())
        page.reload()
        expect(page.get_by_label("Pieces")).to_have_value("36")
        expect(page.get_by_role("img", name="cut 6 by 6")).to_be_visible()


class Boxes(PageCase):
    def test_boxes_are_planned_saved_and_refused(self) -> None:
        page = self.open("/boxes")
        expect(page.get_by_role("heading", name="20 boxes take 191 pieces")).to_be_visible()
        page.get_by_label("Boxes", exact=True).fill("30")
        expect(page.get_by_role("heading", name="30 boxes take 2")).to_be_visible()
        page.get_by_label("The pot holds, g").fill("100")
        expect(page.get_by_role("heading", name="That cannot be made so")).to_be_visible()
        expect(page.get_by_text("100 g is too little for").first).to_be_visible()
        page.get_by_label("The pot holds, g").fill("500")
        expect(page.get_by_text(re.compile("Melt in .* g")).first).to_be_visible()
        page.get_by_role("button", name="Add a kind of piece").click()
        expect(page.get_by_label("In a box")).to_have_count(7)
        self.assertEqual(self.violations(), [])
        self.saved(page)
        page.reload()
        expect(page.get_by_label("Boxes", exact=True)).to_have_value("30")
        expect(page.get_by_label("In a box")).to_have_count(7)

    def test_a_basic_chocolate_is_taken_for_its_price(self) -> None:
        page = self.open("/boxes")
        contains = page.get_by_role("region", name="To tell with a box")
        expect(contains.get_by_role("heading", name="Contains gluten, milk, nuts, soya")).to_be_visible()
        page.get_by_text("The same in another chocolate").first.click()
        page.get_by_role("button", name="Take Dark chocolate 55 %").first.click()
        expect(page.get_by_role("region", name="Dark chocolate 55 %")).to_be_visible()
        expect(page.get_by_label("Piece", exact=True).first).to_have_attribute("data-value", "13")
        page.get_by_role("link", name="What it is made of").first.click()
        expect(page.get_by_role("heading", name="Late-watch cones, dark chocolate 55 %")).to_be_visible()

    def test_new_boxes_start_empty_and_fit_a_phone(self) -> None:
        page = self.new_page(390, 844)
        self.open("/boxes", page)
        page.get_by_role("button", name="Another occasion").click()
        expect(page.get_by_role("heading", name="Add the first piece")).to_be_visible()
        page.get_by_role("button", name="Add a kind of piece").click()
        expect(page.get_by_role("heading", name="10 boxes take 20 pieces")).to_be_visible()
        self.assertLessEqual(page.evaluate("document.documentElement.scrollWidth"), 390)
        page.get_by_role("button", name="Delete this occasion").click()
        page.get_by_role("button", name="Delete it").click()
        expect(page.get_by_role("heading", name="20 boxes take 191 pieces")).to_be_visible()

    def test_a_second_size_of_pack_is_put_into_the_larder(self) -> None:
        page = self.open("/larder")
        page.get_by_role("button", name="Dark chocolate 60 %").click()
        page.get_by_label("Other sizes").fill("200 grams")
        expect(page.get_by_text("such as 200 g 3.50; 1000 g 13").last).to_be_visible()
        page.get_by_label("Other sizes").fill("200 g 2,9; 2500 g 30")
        page.get_by_role("button", name="Keep the change").click()
        expect(page.get_by_role("heading", name="Put something in")).to_be_visible()
        items = self.server.call("GET", "/api/larder")[1]["items"]
        dark = next(item for item in items if item["label"] == "dark60")
        self.assertEqual(dark["other_packs"], [{"pack_g": 200, "price": 2.9}, {"pack_g": 2500, "price": 30}])
