"""Boxes in the browser: planned, saved and refused; another chocolate, another size of pack."""

import re

from playwright.sync_api import expect

from tests.browser.page_case import PageCase


class Boxes(PageCase):
    def test_boxes_are_planned_saved_and_refused(self) -> None:
        page = self.open("/boxes")
        expect(page.get_by_role("heading", name="20 boxes need 191 pieces")).to_be_visible()
        page.get_by_label("Boxes", exact=True).fill("30")
        expect(page.get_by_role("heading", name="30 boxes need 2")).to_be_visible()
        page.get_by_label("Melting pot holds, g").fill("100")
        expect(page.get_by_role("heading", name="This does not fit yet")).to_be_visible()
        expect(page.get_by_text("100 g is too little for").first).to_be_visible()
        page.get_by_label("Melting pot holds, g").fill("500")
        expect(page.get_by_text(re.compile("Melt in .* g")).first).to_be_visible()
        page.get_by_role("button", name="Add pieces").click()
        expect(page.get_by_label("In a box")).to_have_count(7)
        self.assertEqual(self.violations(), [])
        self.saved(page)
        page.reload()
        expect(page.get_by_label("Boxes", exact=True)).to_have_value("30")
        expect(page.get_by_label("In a box")).to_have_count(7)

    def test_a_basic_chocolate_is_taken_for_its_price(self) -> None:
        page = self.open("/boxes")
        contains = page.get_by_role("region", name="To say with each box")
        expect(contains.get_by_role("heading", name="Contains gluten, milk, nuts, soya")).to_be_visible()
        page.get_by_text("The same in another chocolate").first.click()
        page.get_by_role("button", name="Use Dark chocolate 55 %").first.click()
        expect(page.get_by_role("region", name="Dark chocolate 55 %")).to_be_visible()
        expect(page.get_by_label("Piece", exact=True).first).to_have_attribute("data-value", "13")
        page.get_by_role("link", name="Its parts").first.click()
        expect(page.get_by_role("heading", name="Late-watch cones, dark chocolate 55 %")).to_be_visible()

    def test_new_boxes_start_empty_and_fit_a_phone(self) -> None:
        page = self.new_page(390, 844)
        self.open("/boxes", page)
        page.get_by_role("button", name="New occasion").click()
        expect(page.get_by_role("heading", name="Add the first piece")).to_be_visible()
        page.get_by_role("button", name="Add pieces").click()
        expect(page.get_by_role("heading", name="10 boxes need 20 pieces")).to_be_visible()
        self.assertLessEqual(page.evaluate("document.documentElement.scrollWidth"), 390)
        page.get_by_role("button", name="Delete this occasion").click()
        page.get_by_role("button", name="Delete", exact=True).click()
        expect(page.get_by_role("heading", name="20 boxes need 191 pieces")).to_be_visible()

    def test_a_second_size_of_pack_is_put_into_the_larder(self) -> None:
        page = self.open("/larder")
        page.get_by_role("button", name="Dark chocolate 60 %").click()
        page.get_by_label("Other sizes").fill("200 grams")
        expect(page.get_by_text("such as 200 g 3.50; 1000 g 13").last).to_be_visible()
        page.get_by_label("Other sizes").fill("200 g 2,9; 2500 g 30")
        page.get_by_role("button", name="Save changes").click()
        expect(page.get_by_role("heading", name="Add ingredient")).to_be_visible()
        items = self.server.call("GET", "/api/larder")[1]["items"]
        dark = next(item for item in items if item["label"] == "dark60")
        self.assertEqual(dark["other_packs"], [{"pack_g": 200, "price": 2.9}, {"pack_g": 2500, "price": 30}])
