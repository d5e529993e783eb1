"""A confection put together on the page: by pointer and by keyboard, in few actions, saved as it is made."""

import re
from typing import Any

from playwright.sync_api import expect

from tests.browser.phrased import Phrased


class Confections(Phrased):
    def stored(self, number: int) -> dict[str, Any]:
        found: dict[str, Any] = self.server.call("GET", f"/api/confections/{number}")[1]["asked"]
        return found

    def test_its_label_sets_allergens_apart_and_is_refused_for_more_than_there_are(self) -> None:
        page = self.open("/confections/1")
        page.get_by_label("Made on").fill("2026-08-12")
        label = page.get_by_role("region", name="Label", exact=True)
        expect(label.get_by_text("Hazelnuts", exact=True)).to_have_css("font-weight", "700")
        expect(label).to_contain_text("use by 2026-08-15")
        page.get_by_label("Pieces in a pack").fill("9")
        expect(label).to_contain_text(re.compile(r"Net 15\d g"))
        page.get_by_label("Pieces in a pack").fill("99")
        expect(page.get_by_role("alert")).to_contain_text("No label: 99 of 63")
        self.assertEqual(self.violations(), [])

    def test_two_layers_with_a_sweet_on_each_square_share_one_tin(self) -> None:
        white = {
            "name": "White squares",
            "family": "condensed-milk-fudge",
            "use": "cut",
            "format": "hearth-bowl/recipe",
        }
        rows = (("condensed_sweet", 397), ("white32", 560), ("butter82", 20))
        white |= {"version": 1, "lines": [{"ingredient": key, "amount": grams} for key, grams in rows]}
        self.server.call("POST", "/api/recipes", {"recipe": white})
        page = self.open("/confections/12")
        self.take("Pieces", "36")
        page.get_by_role("button", name="Add a layer").click()
        self.pick("Layer of", "White squares", 1)
        page.get_by_role("button", name="Add a topping").click()
        page.get_by_text("Share one tin between both layers").click()
        page.get_by_role("button", name="Share the tin").click()
        page.get_by_role("button", name="Change both recipes").click()
        expect(page.get_by_text("its amounts change").or_(page.get_by_text("Amounts used.")).first).to_be_visible()
        expect(page.get_by_text(re.compile("of the tin, "))).to_have_count(2)
        expect(page.get_by_text(re.compile("^36 pieces of"))).to_be_visible()
        self.assertEqual(self.violations(), [])
        self.assertEqual(self.said, [])

    def test_a_part_is_asked_for_by_pressing_it_in_the_drawing(self) -> None:
        page = self.open("/confections/3")
        word = page.get_by_role("button", name=re.compile("^Ask for Running-sun"))
        word.focus()
        page.keyboard.press("Enter")
        expect(self.phrase("Filling of").nth(1)).to_be_focused()
        page.get_by_role("button", name=re.compile("^Ask for wall")).click()
        expect(page.get_by_role("listitem").filter(has_text="Shell of").locator(":focus")).to_have_count(1)
        page = self.open("/confections/8")
        page.get_by_role("button", name=re.compile("^Ask for coat")).click()
        expect(page.get_by_role("listitem").filter(has_text="Coat of").locator(":focus")).to_have_count(1)
        self.assertEqual(self.violations(), [])

    def test_the_same_in_another_form_is_a_confection_of_its_own(self) -> None:
        page = self.open("/confections/1")
        self.pick("The same in another form", "Square tin, 20 cm")
        expect(page.get_by_role("heading", name="Moonrock truffles, Square tin, 20 cm")).to_be_attached()
        expect(page.get_by_text("Left out: no room")).to_have_count(0)
        expect(page.get_by_role("button", name=re.compile("^Layer of: Night-sky"))).to_be_visible()
        self.assertEqual(self.said, [])

    def test_an_egg_of_two_halves_with_a_yolk_whose_foils_are_72_for_36(self) -> None:
        page = self.open("/new")
        self.pick("Recipe", "White-dome piping ganache")
        self.pick("Form", "Egg mould, 10 halves")
        page.get_by_role("button", name="Make this").click()
        expect(page.get_by_role("heading", name="White-dome piping ganache", level=1)).to_be_attached()
        self.pick("Halves", "two halves joined")
        self.take("Pieces", "36")
        page.get_by_role("button", name="Add a filling").click()
        self.pick("Filling of", "Running-sun fondant", 1)
        self.take("How much: filling", "22", "Amount, %", 1)
        self.phrase("With each piece").click()
        page.get_by_label("Foil, paper, stick").fill("foil")
        page.get_by_role("button", name="Add to each piece").click()
        page.get_by_role("button", name="One more: foil").click()
        page.keyboard.press("Escape")
        foils = page.locator("div", has=page.get_by_text("foil, to have ready", exact=True)).last
        expect(foils).to_contain_text("72")
        expect(page.get_by_text(re.compile(r"^36 pieces of \d+ g in 8 pours"))).to_be_visible()
        expect(
            page.get_by_role("group", name=re.compile("In section: a cavity 50 mm across.*Running-sun"))
        ).to_be_visible()
        expect(page.get_by_text(re.compile("Contains milk, soya"))).to_be_visible()
        self.saved()
        self.assertEqual(self.violations(), [])
        asked = self.stored(13)
        self.assertEqual((asked["form"]["pieces"], asked["form"]["halves"]), (36, True))
        self.assertEqual([part["role"] for part in asked["parts"]], ["shell", "filling", "filling"])
        self.assertEqual((asked["parts"][2]["share_pct"], asked["extras"]), (22, [{"name": "foil", "each": 2}]))

    def begin(self, recipe: str, form: str) -> None:
        self.open("/new")
        self.pick("Recipe", recipe)
        self.pick("Form", form)
        self.page.get_by_role("button", name="Make this").click()
        expect(self.page.get_by_role("heading", name=recipe, level=1)).to_be_attached()

    def amount(self, role: str, by: str, figure: str, number: int = 0) -> None:
        self.phrase(f"How much: {role}").nth(number).click()
        self.page.get_by_label(by).check()
        self.page.get_by_label(re.compile("^Amount")).fill(figure)
        self.page.get_by_role("button", name="Use this").click()

    def test_a_cavity_of_marzipan_nut_and_a_ganache_that_gives_way(self) -> None:
        self.begin("Night-sky truffles", "Signal cones, 20")
        self.take("Pieces", "40")
        for number, of, figure in ((1, "Marzipan", "2.5"), (2, "Pecans", "0.8")):
            self.page.get_by_role("button", name="Add a filling").click()
            self.pick("Filling of", of, number)
            self.amount("filling", "by grams a piece", figure, number)
        expect(self.page.get_by_text(re.compile("^40 pieces of"))).to_be_visible()
        self.saved()
        parts = self.stored(13)["parts"]
        self.assertEqual([part["g_each"] for part in parts], [None, None, 2.5, 0.8])
        worked = self.server.call("POST", "/api/confections/work-out", self.stored(13))[1]["answer"]["parts"]
        self.assertEqual([round(part["each_g"], 3) for part in worked[2:]], [2.5, 0.8])
        self.assertTrue(worked[1]["gives_way"])

    def test_forty_balls_round_jam_and_twelve_of_them_dipped_now(self) -> None:
        self.begin("Night-sky truffles", "Rolled, 22 g each")
        self.take("Pieces", "40")
        self.page.get_by_role("button", name="Add a core").click()
        self.pick("Core of", "Jam")
        self.amount("core", "by grams a piece", "3")
        self.page.get_by_role("button", name="Add a coat").click()
        self.take("Coated now", "12")
        expect(self.page.get_by_text(re.compile("^40 pieces of 3[0-2] g"))).to_be_visible()
        self.saved()
        answer = self.server.call("POST", "/api/confections/work-out", self.stored(13))[1]["answer"]
        centre, core, coat = answer["parts"]
        self.assertEqual((round(centre["each_g"], 3), round(core["each_g"], 3), core["total_g"]), (22, 3, 120))
        self.assertAlmostEqual(coat["total_g"], 12 * coat["each_g"])

    def test_spheres_with_sixteen_grams_of_mix_each_and_what_is_left_over(self) -> None:
        self.begin("Moonrise cocoa mix", "Moon mould, 6 half balls")
        self.pick("Halves", "two halves joined")
        self.take("Pieces", "24")
        self.amount("filling", "by grams a piece", "16")
        expect(self.page.get_by_text(re.compile("^24 pieces of .* in 8 pours"))).to_be_visible()
        self.saved()
        mix = self.server.call("POST", "/api/confections/work-out", self.stored(13))[1]["answer"]["parts"][1]
        self.assertEqual((round(mix["each_g"], 3), round(mix["total_g"], 1)), (16, 384))
        expect(self.page.get_by_text(re.compile(r"\d+ g left in the bowl"))).to_be_visible()
        self.amount("filling", "use up a weight", "3000")
        expect(self.page.get_by_text("Left of Moonrise cocoa mix")).to_be_visible()

    def test_what_cannot_be_is_said_where_it_was_asked_and_can_be_undone(self) -> None:
        page = self.open("/confections/4")
        self.phrase("How much: filling").first.click()
        page.get_by_label("by grams a piece").check()
        page.get_by_label("Amount, g").fill("90")
        page.get_by_role("button", name="Use this").click()
        expect(page.get_by_text("This does not fit yet")).to_be_visible()
        expect(page.get_by_text(re.compile(r"\(more than the cavity holds: .* ml in all"))).to_be_visible()
        expect(self.phrase("How much: filling").first).to_have_text("90 g a piece")
        self.saved()
        page.get_by_role("button", name="Undo").click()
        expect(page.get_by_text(re.compile(r"^30 pieces of"))).to_be_visible()
        self.saved()
        self.assertEqual(self.stored(4)["parts"][1]["mm"], 4)

    def test_parts_are_added_moved_and_left_out_by_keyboard_alone(self) -> None:
        page = self.open("/confections/1")
        expect(page.get_by_text(re.compile(r"^63 pieces of \d+ g"))).to_be_visible()
        page.get_by_role("button", name="Add a topping").focus()
        page.keyboard.press("Enter")
        expect(page.get_by_text("On top", exact=True)).to_be_visible()
        self.phrase("On top of").focus()
        page.keyboard.press("Enter")
        page.keyboard.type("pistachios")
        page.keyboard.press("Tab")
        page.keyboard.press("Enter")
        expect(self.phrase("On top of")).to_have_text("Pistachios")
        expect(page.get_by_text("pistachio", exact=True)).to_be_visible()
        page.get_by_role("button", name="Earlier: on top, part 5").focus()
        page.keyboard.press("Enter")
        expect(page.get_by_role("button", name="Leave out: on top, part 4")).to_be_visible()
        page.get_by_role("button", name="Leave out: on top, part 4").focus()
        page.keyboard.press("Enter")
        expect(page.get_by_text("pistachio", exact=True)).to_have_count(0)
        self.saved()
        self.assertEqual(len(self.stored(1)["parts"]), 4)

    def test_every_one_of_the_evening_opens_on_a_laptop_a_tablet_and_a_phone(self) -> None:
        for width, height in ((1280, 800), (820, 1180), (390, 844)):
            page = self.afresh(width, height)
            for number in (1, 4, 6, 8) if width == 1280 else (2, 5):
                self.open(f"/confections/{number}", page)
                expect(page.get_by_role("heading", name=re.compile("^Keeps "))).to_be_visible()
                expect(page.get_by_role("group", name=re.compile("^In section"))).to_be_visible()
                self.assertLessEqual(page.evaluate("document.documentElement.scrollWidth"), width, number)
            self.assertEqual(self.violations(page), [])

    def test_two_windows_do_not_overwrite_each_other_and_one_that_is_gone_is_said(self) -> None:
        page = self.open("/confections/2")
        other = self.open("/confections/2", self.new_page())
        self.take("Pieces", "25")
        self.saved()
        self.phrase("Pieces", other).click()
        other.get_by_role("dialog", name="Pieces").get_by_label("Pieces").fill("49")
        other.get_by_role("button", name="Use this").click()
        expect(other.get_by_role("alert").filter(has_text="changed in another window")).to_be_visible()
        other.get_by_role("button", name="Keep mine as a copy").click()
        expect(self.phrase("Pieces", other)).to_have_text("49 pieces")
        self.saved(other)
        self.assertEqual(self.stored(13)["form"]["pieces"], 49)
        self.assertEqual(self.stored(2)["form"]["pieces"], 25)
        page.get_by_role("button", name="Delete this confection").click()
        page.get_by_role("button", name="Delete", exact=True).click()
        expect(page.get_by_role("heading", name=re.compile("recipes"))).to_be_visible()
        expect(page.get_by_text("Two-sky squares")).to_have_count(1)  # the copy
        page.goto(self.server.url + "/confections/2")
        expect(page.get_by_role("heading", name="There is no such confection")).to_be_visible()
        self.said = [words for words in self.said if "404" not in words]
