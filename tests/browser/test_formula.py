"""Formula in the browser: amounts, pins, slide, offers, undo, saving."""

from playwright.sync_api import Route, expect

from tests.browser.page_case import PageCase, choose

CREAM, DARK = "Whipping cream 35 %", "Dark chocolate 64 %"


class Amounts(PageCase):
    def setUp(self) -> None:
        super().setUp()
        self.open("/recipes/1/formula")
        expect(self.page.get_by_text("Rolls cleanly at 21 °C")).to_be_visible()

    def test_nothing_overtakes_what_is_typed(self) -> None:
        page = self.open("/recipes/2/formula")
        expect(page.get_by_text("492 g", exact=True)).to_be_visible()
        held: list[Route] = []
        is_slow = [True]

        def answer(route: Route) -> None:
            held.append(route) if is_slow[0] else route.continue_()

        page.route("**/api/formula", answer)
        self.amount("White chocolate 32 %").fill("410 g")
        page.get_by_role("button", name=f"Pin {CREAM}").click()
        page.get_by_role("button", name="Hand 33 °C").click()
        is_slow[0] = False
        for route in held:
            route.continue_()
        expect(page.get_by_text("582 g", exact=True)).to_be_visible()
        expect(self.amount("White chocolate 32 %")).to_have_value("410 g")
        expect(page.get_by_role("button", name=f"Pin {CREAM}")).to_have_attribute("aria-pressed", "true")
        expect(page.get_by_role("status").filter(has_text="Saved")).to_be_visible()

    def test_what_the_library_does_not_have_is_made_known_in_the_bowl(self) -> None:
        page = self.page
        page.get_by_role("button", name="Add an ingredient").click()
        page.get_by_label("Name of the ingredient").fill("pecann")
        expect(page.get_by_role("button", name="Pecans", exact=True)).to_be_visible()
        page.get_by_label("Name of the ingredient").fill("Hickory crunch")
        page.get_by_role("button", name="It is like: choose what").click()
        page.get_by_role("listbox").get_by_role("option", name="Walnuts", exact=True).click()
        field = page.get_by_label("Its allergens, by name (pecan, wheat, milk)")
        expect(field).to_have_value("walnut")
        field.fill("hickory")
        page.get_by_role("button", name="Add to the bowl").click()
        expect(page.get_by_text("unknown allergen 'hickory'")).to_be_visible()
        field.fill("pecan")
        page.get_by_role("button", name="Add to the bowl").click()
        expect(self.amount("Hickory crunch")).to_be_visible()
        self.assertEqual(self.violations(), [])

    def test_typing_an_amount_changes_the_sentence_and_is_saved(self) -> None:
        self.amount(DARK).fill("250 g")
        expect(self.page.get_by_text("Too soft to roll at 21 °C")).to_be_visible()
        self.amount(DARK).press("Enter")
        self.saved()
        self.assertEqual(self.stored_amount(1, 2), 250)
        self.page.reload()
        expect(self.amount(DARK)).to_have_value("250 g")

    def test_any_unit_is_taken_and_its_grams_shown_beside(self) -> None:
        self.amount(CREAM).fill("3/4 cup")
        self.amount(CREAM).press("Enter")
        expect(self.page.get_by_text("that is 187 g")).to_be_visible()
        expect(self.amount(CREAM)).to_have_value("0.75 cup")

    def test_what_cannot_be_read_stays_as_typed_with_a_reason(self) -> None:
        self.amount(CREAM).fill("2 bars")
        expect(self.page.get_by_role("alert")).to_contain_text("how much a bar of Whipping cream 35 % weighs")
        self.amount(DARK).focus()
        expect(self.amount(CREAM)).to_have_value("2 bars")
        self.assertEqual(self.stored_amount(1, 0), 210)
        self.amount(CREAM).fill("2 bars of 100 g")
        expect(self.page.get_by_role("alert")).to_have_count(0)
        expect(self.page.get_by_text("that is 200 g")).to_be_visible()

    def test_arrows_step_shift_steps_ten_and_a_drag_scrubs(self) -> None:
        self.amount(DARK).press("ArrowUp")
        expect(self.amount(DARK)).to_have_value("391 g")
        self.amount(DARK).press("Shift+ArrowDown")
        expect(self.amount(DARK)).to_have_value("381 g")
        box = self.amount(CREAM).bounding_box()
        assert box is not None
        x, y = box["x"] + 40, box["y"] + box["height"] / 2
        self.page.mouse.move(x, y)
        self.page.mouse.down()
        self.page.mouse.move(x + 20, y, steps=5)
        self.page.mouse.move(x + 40, y, steps=5)
        self.page.mouse.up()
        expect(self.amount(CREAM)).to_have_value("220 g")
        self.saved()
        self.assertEqual((self.stored_amount(1, 0), self.stored_amount(1, 2)), (220, 381))

    def test_undo_and_redo_go_by_whole_gestures(self) -> None:
        for _ in range(5):
            self.amount(DARK).press("ArrowUp")
        self.amount(DARK).press("Enter")
        self.amount(CREAM).fill("200 g")
        expect(self.page.get_by_label("The bowl").get_by_text("Rolls cleanly")).to_be_visible()
        self.amount(CREAM).press("Enter")
        undo, redo = (self.page.get_by_role("button", name=name, exact=True) for name in ("Undo", "Redo"))
        undo.click()
        expect(self.amount(CREAM)).to_have_value("210 g")
        expect(self.amount(DARK)).to_have_value("395 g")
        self.page.keyboard.press("Control+z")
        expect(self.amount(DARK)).to_have_value("390 g")
        expect(undo).to_be_disabled()
        redo.click()
        redo.click()
        expect(self.amount(CREAM)).to_have_value("200 g")
        self.saved()
        self.assertEqual(self.stored_amount(1, 0), 200)

    def test_an_ingredient_goes_in_and_out(self) -> None:
        self.page.get_by_role("button", name="Add an ingredient").click()
        self.page.get_by_label("Name of the ingredient").fill("hazelnut paste")
        self.page.get_by_role("button", name="Hazelnut paste").click()
        expect(self.amount("Hazelnut paste")).to_have_value("10 g")
        expect(self.page.get_by_label("Contains", exact=True)).to_contain_text("nuts (hazelnut)")
        self.page.get_by_role("button", name="Hazelnut paste about").click()
        self.page.get_by_role("button", name="Take Hazelnut paste out").click()
        expect(self.amount("Hazelnut paste")).to_have_count(0)


class RatioAndReadings(PageCase):
    def test_the_ratio_slides_by_keyboard_and_respects_pins(self) -> None:
        self.open("/recipes/1/formula")
        rule = self.page.get_by_role("slider", name="Chocolate to cream")
        rule.press("ArrowRight")
        expect(self.amount(DARK)).to_have_value("393 g")
        expect(self.amount(CREAM)).to_have_value("210 g")
        self.page.get_by_role("button", name=f"Pin {DARK}").click()
        expect(self.page.get_by_text("The chocolate is pinned, so the cream changes")).to_be_visible()
        rule.press("PageUp")
        expect(self.amount(CREAM)).not_to_have_value("210 g")
        expect(self.amount(DARK)).to_have_value("393 g")
        self.page.get_by_role("button", name=f"Pin {CREAM}").click()
        expect(self.page.get_by_text("unpin one")).to_be_visible()

    def test_a_slide_that_waits_is_not_dropped_by_another_question(self) -> None:
        page = self.open("/recipes/1/formula")
        rule, judged = (
            page.get_by_role("slider", name="Chocolate to cream"),
            page.get_by_role("slider", name="Judged at"),
        )
        expect(self.amount(DARK)).to_have_value("390 g")
        held: list[Route] = []
        page.route("**/api/formula", lambda route: route.continue_() if held else held.append(route))
        with page.expect_request("**/api/formula"):
            judged.press("ArrowRight")
        rule.press("ArrowRight")
        judged.press("ArrowRight")
        held[0].continue_()
        expect(self.amount(DARK)).to_have_value("393 g")

    def test_the_zones_belong_to_this_chocolate(self) -> None:
        self.open("/recipes/1/formula")
        dark = self.page.get_by_role("slider", name="Chocolate to cream")
        expect(dark).to_have_attribute("aria-valuetext", "1.86 to 1, rolls")
        self.open("/recipes/2/formula")
        expect(dark).to_have_attribute("aria-valuetext", "2.13 to 1, pipes")

    def test_what_is_wrong_comes_first_and_one_press_mends_it(self) -> None:
        self.open("/recipes/2/formula")
        self.amount("White chocolate 32 %").fill("520 g")
        first = self.page.get_by_label("Readings", exact=True).get_by_role("listitem").first
        expect(first).to_contain_text("Split risk")
        offer = first.get_by_role("button", name="whole milk")
        offer.click()
        expect(self.amount("Whole milk")).to_be_visible()
        expect(self.page.get_by_label("Split risk", exact=True)).to_contain_text("1.8")
        self.page.keyboard.press("Control+z")
        expect(self.amount("Whole milk")).to_have_count(0)

    def test_why_opens_the_working(self) -> None:
        self.open("/recipes/1/formula")
        self.page.get_by_role("button", name="Why? Firmness at 21 °C").click()
        why = self.page.get_by_role("dialog", name="Why: Firmness at 21 °C")
        for words in ("3.02 ln R + 2.00", "How sure", "How to improve this", "Cocoa solids"):
            expect(why).to_contain_text(words)

    def test_the_temperature_is_chosen_by_place_and_by_keys(self) -> None:
        self.open("/recipes/1/formula")
        self.page.get_by_role("button", name="Fridge 5 °C").click()
        expect(self.page.get_by_label("Firmness at 5 °C", exact=True)).to_be_visible()
        self.page.get_by_role("slider", name="Judged at").press("ArrowRight")
        expect(self.page.get_by_label("Firmness at 5.5 °C", exact=True)).to_be_visible()

    def test_own_units_are_shown_everywhere(self) -> None:
        self.open("/recipes/1/formula")
        self.page.get_by_role("button", name="Kitchen 21 °C, altitude 340 m").click()
        choose(self.page.get_by_label("Temperatures"), "F")
        choose(self.page.get_by_label("Weights"), "oz")
        self.page.keyboard.press("Escape")
        expect(self.page.get_by_text("Rolls cleanly at 70 °F")).to_be_visible()
        expect(self.page.get_by_role("button", name="Fridge 41 °F")).to_be_visible()
        expect(self.page.get_by_text("22.9 oz")).to_be_visible()


class Saving(PageCase):
    def test_the_second_window_is_told_and_loses_nothing(self) -> None:
        first, second = self.open("/recipes/1/formula"), self.open("/recipes/1/formula", self.new_page())
        self.amount(DARK, first).fill("400 g")
        self.amount(DARK, first).press("Enter")
        self.saved(first)
        self.amount(CREAM, second).fill("150 g")
        told = second.get_by_role("alert").filter(has_text="changed in another window")
        expect(told).to_be_visible()
        told.get_by_role("button", name="Keep mine as a copy").click()
        expect(second.get_by_role("heading", level=1)).to_have_text("Night-sky truffles (my copy)")
        expect(self.amount(CREAM, second)).to_have_value("150 g")
        self.assertEqual((self.stored_amount(1, 0), self.stored_amount(1, 2)), (210, 400))

    def test_a_lost_server_is_said_and_the_change_saved_when_it_is_back(self) -> None:
        self.open("/recipes/1/formula")
        expect(self.amount(DARK)).to_have_value("390 g")
        self.page.wait_for_load_state("networkidle")
        self.server.kill()
        self.amount(DARK).press("ArrowUp")
        expect(self.page.get_by_role("alert")).to_contain_text("is not answering")
        self.server.start()
        self.amount(DARK).press("ArrowUp")
        self.saved()
        self.assertEqual(self.stored_amount(1, 2), 392)

    def test_a_version_is_kept_and_gone_back_to(self) -> None:
        self.open("/recipes/1/formula")
        self.amount(DARK).fill("300 g")
        self.amount(DARK).press("Enter")
        self.page.get_by_role("button", name="Save this version").click()
        self.page.get_by_label("Name, or leave empty").fill("For piping")
        self.page.get_by_role("button", name="Save this version").last.click()
        expect(self.page.get_by_label("Name, or leave empty")).to_have_count(0)
        self.page.get_by_role("button", name="Save this version").click()
        self.page.get_by_role("button", name="Go back to As first made").click()
        expect(self.amount(DARK)).to_have_value("390 g")
        expect(self.page.get_by_role("img", name="The bowl holds 649 g")).to_contain_text("For piping")
        self.saved()

    def test_a_new_recipe_starts_from_our_proportions(self) -> None:
        self.open("/recipes/1/formula")
        self.page.get_by_role("button", name="Recipes").click()
        self.page.get_by_role("link", name="Start from a suggested recipe").click()
        choose(self.page.get_by_label("Chocolate", exact=True), "white28")
        self.page.get_by_role("button", name="Create recipe").click()
        expect(self.page.get_by_role("heading", level=1)).to_have_text("New cream ganache")
        expect(self.page.get_by_text("Rolls cleanly")).to_be_visible()
        self.page.get_by_role("button", name="change").click()
        self.page.get_by_label("Name", exact=True).fill("مرصد القبة 🔭")
        self.page.keyboard.press("Tab")
        expect(self.page.get_by_role("heading", level=1)).to_have_text("مرصد القبة 🔭")
        self.saved()
