"""Every screen: no axe violation, no sideways scrolling, all of it reachable by keyboard."""

import re

from playwright.sync_api import expect

from tests.browser.page_case import PageCase

PLACES = ("/recipes/2/formula", "/confections/9")
SIZES = ((1280, 800), (820, 1180), (390, 844))


class Screens(PageCase):
    def test_axe_finds_no_violation_at_any_size(self) -> None:
        for width, height in SIZES:
            page = self.afresh(width, height)
            for place in PLACES:
                with self.subTest(place=place, width=width):
                    self.open(place, page)
                    page.wait_for_load_state("networkidle")
                    self.assertEqual(self.violations(page), [])

    def test_the_larder_and_side_by_side_fit_every_size(self) -> None:
        for width, height in SIZES:
            page = self.afresh(width, height)
            for place in ("/larder", "/recipes/1/compare"):
                with self.subTest(place=place, width=width):
                    self.open(place, page)
                    page.wait_for_load_state("networkidle")
                    self.assertEqual(self.violations(page), [])
                    self.assertLessEqual(page.evaluate("document.documentElement.scrollWidth"), width)

    def test_axe_finds_no_violation_with_something_open_or_wrong(self) -> None:
        self.open("/recipes/2/formula")
        self.amount("White chocolate 32 %").fill("520 g")
        expect(self.page.get_by_role("button", name="whole milk")).to_be_visible()
        self.page.get_by_role("button", name="Why? Split risk").click()
        self.assertEqual(self.violations(), [])
        self.page.keyboard.press("Escape")
        self.amount("Lemon juice").fill("a splash")
        expect(self.page.get_by_role("alert")).to_be_visible()
        self.assertEqual(self.violations(), [])

    def test_demo_recipes_need_no_scrolling_on_a_laptop_and_none_sideways_anywhere(self) -> None:
        for width, height in SIZES:
            page = self.afresh(width, height)
            for place in ("/recipes/2/formula", "/recipes/6/formula"):
                with self.subTest(place=place, width=width):
                    self.open(place, page)
                    page.wait_for_load_state("networkidle")
                    tall, wide = page.evaluate(
                        "[document.documentElement.scrollHeight, document.documentElement.scrollWidth]"
                    )
                    self.assertLessEqual(wide, width)
                    if width == 1280:
                        self.assertLessEqual(tall, height)

    def test_everything_touched_is_44_pixels_high(self) -> None:
        for place in PLACES:
            self.open(place)
            self.page.wait_for_load_state("networkidle")
            for control in self.page.locator("button:visible, select:visible, main input:visible").all():
                box = control.bounding_box()
                assert box is not None
                inside_label = control.evaluate("e => e.closest('label')?.getBoundingClientRect().height ?? 0")
                name = control.evaluate("e => e.outerHTML.slice(0, 120)")
                beyond = control.evaluate("e => parseFloat(getComputedStyle(e, '::after').height) || 0")
                self.assertGreaterEqual(max(box["height"], inside_label, beyond), 43.9, name)

    def test_a_recipe_is_changed_fitted_and_taken_back_by_keyboard_alone(self) -> None:
        page = self.open("/recipes/5/formula")
        keyboard = page.keyboard

        def tab_to(role: str, name: str | re.Pattern[str]) -> None:
            for _ in range(60):
                keyboard.press("Tab")
                if page.get_by_role(role, name=name).evaluate("e => e === document.activeElement"):  # type: ignore[arg-type]
                    return
            self.fail(f"{role} {name} is not reached by Tab")

        tab_to("textbox", "Amount of Milk chocolate 38 %")
        keyboard.press("ArrowUp")
        expect(self.amount("Milk chocolate 38 %")).to_have_value("221 g")
        tab_to("button", "Fit to a pan or mould")
        keyboard.press("Enter")
        expect(page.get_by_text("Which one do you want to fit?")).to_be_visible()
        tab_to("link", "First-light planets")
        keyboard.press("Enter")
        tab_to("button", re.compile("^Pieces: "))
        keyboard.press("Enter")
        keyboard.type("30")
        keyboard.press("Enter")
        expect(page.get_by_text(re.compile("^30 pieces of"))).to_be_visible()
        tab_to("button", "Use these amounts in the recipe")
        keyboard.press("Enter")
        expect(page.get_by_role("heading", level=1)).to_have_text("First-light milk filling")
        expect(self.amount("Milk chocolate 38 %")).not_to_have_value("221 g")

    def test_an_address_that_leads_nowhere_leads_back(self) -> None:
        self.open("/recipes/99/formula")
        self.said.clear()
        expect(self.page.get_by_role("heading", level=1)).to_have_text("There is no such recipe")
        self.page.get_by_role("link", name="Open Recipes").click()
        expect(self.page.get_by_role("heading", level=1)).to_have_text(re.compile(r"^\d+ recipes"))
