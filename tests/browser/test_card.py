"""A card in the browser: from the pasted text in an empty kitchen to the printed label, nothing typed twice."""

import json
import re
from datetime import UTC, datetime

from playwright.sync_api import Locator, expect

from tests.browser.page_case import PageCase, choose
from tests.core.card.test_cards import cards

CARDS = {job: text for job, kitchen, text in cards() if kitchen == "en"}
MOST_ACTIONS = 25
"""Presses, choices and fields filled from the card to the label, at most."""


class FromAnEmptyKitchen(PageCase):
    demo = False

    def setUp(self) -> None:
        super().setUp()
        self.actions = 0

    def press(self, what: Locator) -> None:
        what.click()
        self.actions += 1

    def make(self, card: str) -> None:
        """Go from Today to the card's page, paste, and make it one's own."""
        page = self.open("/")
        self.press(page.get_by_role("link", name="Read a card"))
        page.get_by_label("Paste the whole card").fill(card)
        self.actions += 1
        expect(page.get_by_text("pieces of").or_(page.get_by_text("piece of"))).to_be_visible()
        self.press(page.get_by_role("button", name="Make it mine"))

    def label(self, name: str, pieces: int) -> None:
        """Put what is finished on the shelf and open its label as PDF."""
        page = self.page
        self.press(page.get_by_role("button", name="Add to shelf"))
        self.press(page.get_by_role("link", name="Shelf", exact=True))
        made = page.get_by_role("listitem").filter(has_text=f"{pieces} of {pieces} left")
        expect(made).to_contain_text(name)
        self.press(made.get_by_text("Labels to print"))
        link = made.get_by_role("link", name="Open label sheet (PDF)")
        sheet = link.get_attribute("href")
        self.actions += 1
        self.assertTrue(page.request.get(f"{self.server.url}{sheet}").body().startswith(b"%PDF-"))
        self.assertLessEqual(self.actions, MOST_ACTIONS)

    def walk(self, job: str, pieces: int, said: str) -> None:
        """Walk from a card to its label and check what the piece is on the way."""
        self.make(CARDS[job])
        page = self.page
        expect(page.get_by_label("Name", exact=True)).to_have_value(CARDS[job].split("\n")[0])
        expect(page.get_by_text(re.compile(said)).first).to_be_visible()
        self.label(CARDS[job].split("\n")[0], pieces)

    def test_moulded_filled_shells_are_weighed_at_the_stove_as_the_piece_takes(self) -> None:
        self.make(CARDS["bonbons"])
        page = self.page
        expect(page.get_by_role("button", name="36 pieces")).to_be_visible()
        expect(page.get_by_role("button", name="Form: Mould of 24 half balls, 28 mm")).to_be_visible()
        self.press(page.get_by_role("link", name="Make it now"))
        expect(page.get_by_role("button", name="the amount for Night-sky bonbons")).to_be_visible()
        self.press(page.get_by_role("link", name="Fit", exact=True))
        self.label("Night-sky bonbons", 36)

    def test_what_is_finished_goes_on_the_shelf_and_gets_its_label_in_three_presses(self) -> None:
        self.make(CARDS["truffles"])
        page = self.page
        expect(page.get_by_role("link", name="Make it now")).to_be_visible()
        page.wait_for_url("**/confections/*")
        made = int(page.url.rsplit("/", 1)[1])
        asked = self.server.call("GET", f"/api/confections/{made}")[1]["asked"]
        body = {"recipe_id": asked["parts"][0]["of"]["recipe_id"], "confection_id": made}
        batch = self.server.call("POST", "/api/batches", body)[1]["batch"]["id"]
        event = {"client_key": "end-1", "at": datetime.now(UTC).isoformat(), "what": {"kind": "end"}}
        self.server.call("POST", f"/api/batches/{batch}/events", {"events": [event]})
        self.open(f"/daybook/{batch}")
        self.actions = 0
        self.press(page.get_by_role("button", name="Add to shelf"))
        expect(page.get_by_text("It is on the shelf.")).to_be_visible()
        self.press(page.get_by_role("link", name="Shelf and labels"))
        self.press(page.get_by_text("Labels to print"))
        expect(page.get_by_role("link", name="Open label sheet (PDF)")).to_be_visible()
        self.assertEqual(self.actions, 3)

    def test_a_first_start_asks_three_things_and_a_recipe_goes_into_a_tin_made_in_place(self) -> None:
        page = self.open("/")
        page.get_by_role("button", name="Spoons and cups: metric").click()
        page.get_by_role("option", name="US", exact=True).click()
        expect(page.get_by_role("button", name="Spoons and cups: US")).to_be_visible()
        self.assertEqual(self.violations(), [])
        page.get_by_role("link", name="Start a recipe").click()
        choose(page.get_by_label("What it is", exact=True), "condensed-milk-fudge")
        page.get_by_role("button", name="Add something you have").click()
        choose(page.get_by_label("Ingredient"), "dark60")
        page.get_by_label("You have, g").fill("250")
        page.get_by_role("button", name="Add a tin, mould or other vessel").click()
        page.get_by_label("What you call it").fill("Grandmother's tin")
        page.get_by_role("button", name="Add vessel").click()
        expect(page.get_by_label("What it goes into")).to_contain_text("Grandmother's tin")
        page.get_by_role("button", name="Create recipe").click()
        expect(self.amount("Dark chocolate 60 %")).to_have_value("250 g")
        page.get_by_role("link", name="Fit", exact=True).click()
        expect(page.get_by_role("button", name="Form: Grandmother's tin")).to_be_visible()
        self.assertEqual(self.server.call("GET", "/api/settings")[1]["measure"], "us")

    def test_fudge_in_a_tin(self) -> None:
        self.walk("tin-fudge", 36, "822 g weighed")

    def test_dipped_balls_with_a_core(self) -> None:
        self.walk("dipped-balls", 30, r"1\.1 g a piece")

    def test_a_slab_of_two_layers_from_one_tin(self) -> None:
        self.walk("two-layers", 36, "439 g weighed")

    def test_eggs_of_halves_with_a_yolk(self) -> None:
        self.walk("eggs", 12, "two halves joined")

    def test_a_cake(self) -> None:
        self.walk("cake", 1, "Cake, 20 cm")


class Reading(PageCase):
    def pasted(self, text: str) -> None:
        page = self.open("/read")
        page.get_by_label("Paste the whole card").fill(text)

    def test_a_line_and_its_part_show_each_other_and_doubts_never_block(self) -> None:
        page = self.page
        self.pasted("Dusk\n8 oz cream 35 %\n200 g chocolate\n40 g splendid fluffs\ncocoa for rolling")
        page.get_by_role("button", name="cocoa for rolling").click()
        expect(page.get_by_role("button", name=re.compile("^Rolled in Cocoa"))).to_have_attribute(
            "aria-pressed", "true"
        )
        expect(page.get_by_role("listitem").filter(has_text="not understood").first).to_contain_text("splendid fluffs")
        page.get_by_role("button", name="Whipping cream 35 %: fluid ounces instead").click()
        self.assertEqual(self.violations(), [])
        page.get_by_role("button", name="Make it mine").click()
        expect(page.get_by_label("Name", exact=True)).to_have_value("Dusk")
        expect(page.get_by_text("No label:")).to_be_visible()
        page.get_by_role("link", name="What is in it").click()
        expect(page.get_by_text("Not complete: 1 line is not known yet")).to_be_visible()
        expect(self.amount("Whipping cream 35 %")).to_have_value("8 floz")
        page.get_by_role("button", name=re.compile("^Dark chocolate 55")).click()
        page.get_by_role("button", name="Milk chocolate 33 % instead").click()
        expect(page.get_by_role("button", name=re.compile("^Milk chocolate 33"))).to_be_visible()

    def test_our_own_file_pasted_is_the_recipe_again(self) -> None:
        record = self.server.call("GET", "/api/recipes/1/recipe.json")[1]
        self.pasted(json.dumps({**record, "name": "From a file"}))
        self.page.get_by_role("button", name="Make it mine").click()
        expect(self.page.get_by_role("heading", level=1)).to_have_text("From a file")

    def test_from_a_card_with_four_amounts_missing_to_a_sound_recipe_in_fewer_than_8_actions(self) -> None:
        page = self.page
        self.pasted("Dusk truffles, to roll\n200 g dark chocolate 64 %\ncream\nglucose syrup\nbutter\nsalt")
        page.get_by_role("button", name="Make it mine").click()
        expect(page.get_by_text("Too soft to roll")).to_be_visible()
        page.get_by_role("button", name=re.compile("^Try ")).first.click()
        expect(page.get_by_role("heading", name="Rolls cleanly")).to_be_visible()

    def test_a_card_of_nothing_but_method_says_what_is_missing_and_keeps_the_text(self) -> None:
        self.pasted("Melt everything and stir.")
        expect(self.page.get_by_role("alert")).to_contain_text("No ingredient can be read")
        self.page.reload()
        expect(self.page.get_by_label("Paste the whole card")).to_have_value("Melt everything and stir.")
        self.said.clear()
