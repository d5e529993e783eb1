"""Cooks' questions in the browser: aim, swap, only this much, read a card, side by side, the larder."""

from playwright.sync_api import expect

from tests.browser.page_case import PageCase, choose


class Aim(PageCase):
    def test_a_use_and_one_press_with_before_and_after(self) -> None:
        page = self.open("/recipes/2/formula")
        page.get_by_role("button", name="Set a target").click()
        choose(page.get_by_label("Use"), "roll")
        page.get_by_role("button", name="Adjust amounts").click()
        expect(page.get_by_role("heading", name="Done. Before and after")).to_be_visible()
        expect(page.get_by_text("Rolls cleanly at 21 °C")).to_be_visible()
        self.assertEqual(self.violations(), [])
        page.get_by_role("dialog").get_by_role("button", name="Undo").click()
        expect(page.get_by_text("Pipes at 21 °C")).to_be_visible()
        expect(self.amount("White chocolate 32 %")).to_have_value("320 g")

    def test_pinned_bars_of_white_to_pipe(self) -> None:
        page = self.open("/recipes/2/formula")
        self.amount("White chocolate 32 %").fill("4 bars of 100 g")
        self.amount("White chocolate 32 %").press("Enter")
        expect(page.get_by_text("that is 400 g")).to_be_visible()
        page.get_by_role("button", name="Pin White chocolate 32 %").click()
        page.get_by_role("button", name="Set a target").click()
        page.get_by_role("button", name="Adjust amounts").click()
        page.get_by_role("button", name="Keep changes").click()
        expect(page.get_by_text("Pipes at 21 °C")).to_be_visible()
        expect(self.amount("White chocolate 32 %")).to_have_value("4 bars")

    def test_what_stands_in_the_way_can_be_released(self) -> None:
        page = self.open("/recipes/2/formula")
        for name in ("Whipping cream 35 %", "Invert sugar syrup", "White chocolate 32 %", "Lemon juice"):
            page.get_by_role("button", name=f"Pin {name}").click()
        page.get_by_role("button", name="Set a target").click()
        choose(page.get_by_label("Use"), "roll")
        page.get_by_role("button", name="Adjust amounts").click()
        expect(page.get_by_role("heading", name="These targets conflict")).to_be_visible()
        page.get_by_role("button", name="Release the pin on").click()
        expect(page.get_by_role("heading", name="Done. Before and after")).to_be_visible()


class OneLine(PageCase):
    def test_another_cream_keeps_the_set_and_one_press_undoes_it(self) -> None:
        page = self.open("/recipes/1/formula")
        page.get_by_role("button", name="Whipping cream 35 % about").click()
        choose(page.get_by_label("Swap, same firmness and weight"), "cream48")
        expect(page.get_by_role("heading", name="Before and after")).to_be_visible()
        expect(self.amount("Double cream 48 %")).to_be_visible()
        expect(page.get_by_text("Rolls cleanly at 21 °C")).to_be_visible()
        page.get_by_role("dialog").get_by_role("button", name="Undo").click()
        expect(self.amount("Whipping cream 35 %")).to_have_value("210 g")

    def test_only_so_much_scales_all_and_says_what_is_short(self) -> None:
        page = self.open("/recipes/1/formula")
        page.get_by_role("button", name="Whipping cream 35 % about").click()
        page.get_by_label("I have only").fill("1 tub")
        page.get_by_role("button", name="Scale all").click()
        expect(page.get_by_text("how much a tin of Whipping cream")).to_be_visible()
        page.get_by_label("I have only").fill("420 g")
        page.get_by_role("button", name="Scale all").click()
        expect(page.get_by_text("Too little Dark chocolate 64 %: 780 g needed, 400 g in stock.")).to_be_visible()
        expect(self.amount("Dark chocolate 64 %")).to_have_value("780 g")


class Versions(PageCase):
    def test_side_by_side_with_a_kept_version(self) -> None:
        page = self.open("/recipes/1/formula")
        self.amount("Dark chocolate 64 %").fill("250 g")
        self.amount("Dark chocolate 64 %").press("Enter")
        self.saved()
        page.get_by_role("button", name="Recipes").click()
        page.get_by_role("link", name="Compare").click()
        expect(page.get_by_text("sets firmer at 21 °C")).to_be_visible()
        expect(page.get_by_role("row", name="Dark chocolate 64 % 250 g 390 g")).to_be_visible()
        self.assertEqual(self.violations(), [])


class Larder(PageCase):
    def test_a_pack_is_put_in_changed_and_taken_out(self) -> None:
        page = self.open("/larder")
        choose(page.get_by_label("Ingredient", exact=True), "espresso")
        page.get_by_label("Pack, g").fill("heavy")
        expect(page.get_by_text("a number is needed here")).to_be_visible()
        expect(page.get_by_role("button", name="Add to larder")).to_be_disabled()
        page.get_by_label("Pack, g").fill("-3")
        page.get_by_role("button", name="Add to larder").click()
        expect(page.get_by_text("-3 g is out of range")).to_be_visible()
        page.get_by_label("Pack, g").fill("250")
        page.get_by_label("Price per pack").fill("1,50")
        page.get_by_role("button", name="Add to larder").click()
        expect(page.get_by_role("row", name="Espresso 250 g 1.50 0.60 –")).to_be_visible()
        page.get_by_role("button", name="Espresso").click()
        page.get_by_label("In stock, g").fill("125")
        page.get_by_role("button", name="Save changes").click()
        expect(page.get_by_role("row", name="Espresso 250 g 1.50 0.60 125 g")).to_be_visible()
        self.assertEqual(self.violations(), [])
        page.get_by_role("button", name="Espresso").click()
        page.get_by_role("button", name="Remove from larder").click()
        expect(page.get_by_role("row", name="Espresso")).to_have_count(0)

    def test_a_wrapper_becomes_an_ingredient_that_goes_into_the_bowl(self) -> None:
        page = self.open("/larder")
        page.get_by_label("Name").fill("Dome 66")
        for label, figure in (("Fat, g", "41"), ("of which sugars", "33"), ("Protein, g", "7"), ("Cocoa, %", "66")):
            page.get_by_label(label).fill(figure)
        page.get_by_role("button", name="Work out its composition").click()
        page.get_by_role("button", name="Save as your ingredient").click()
        expect(page.get_by_role("row", name="Dome 66 your own")).to_be_visible()
        page.get_by_role("link", name="Today").click()
        page.get_by_role("link", name="Continue from yesterday").click()
        page.get_by_role("button", name="Add an ingredient").click()
        page.get_by_label("Name of the ingredient").fill("dome")
        page.get_by_role("button", name="Dome 66").click()
        expect(self.amount("Dome 66")).to_have_value("10 g")
        self.saved()


class Families(PageCase):
    def test_a_school_is_chosen_with_its_trade_off(self) -> None:
        page = self.open("/recipes/1/formula")
        page.get_by_role("button", name="change").click()
        expect(page.get_by_role("radio", name="Pour over and wait.")).to_be_checked()
        page.get_by_role("radio", name="Cream into melted chocolate. The surest emulsion").check()
        page.keyboard.press("Escape")
        self.saved()
        page.reload()
        page.get_by_role("button", name="change").click()
        expect(page.get_by_role("radio", name="Cream into melted chocolate.")).to_be_checked()

    def test_a_fudge_says_what_to_cook_to_up_here(self) -> None:
        page = self.open("/new")
        choose(page.get_by_label("What it is", exact=True), "boiled-fudge")
        page.get_by_role("button", name="Create recipe").click()
        expect(page.get_by_role("heading", level=1)).to_have_text("New boiled and beaten fudge")
        expect(page.get_by_label("Cook to", exact=True)).to_contain_text("113.8 °C")
        expect(page.get_by_text("4 amounts are suggested.")).to_be_visible()
        page.get_by_role("button", name="Accept them").click()
        expect(page.get_by_text("ours", exact=True)).to_have_count(0)
        page.get_by_label("The recipe says, °C").fill("114")
        expect(page.get_by_text("come out at 112.8 °C")).to_be_visible()
        page.get_by_label("or the pan is lighter by, g").fill("198")
        expect(page.get_by_text("12.5 % water", exact=True)).to_be_visible()
        page.get_by_label("or cooked here to, °C").fill("90")
        expect(page.get_by_text("90 °C is out of range")).to_be_visible()
        self.assertEqual(self.violations(), [])
        page.get_by_role("button", name="Kitchen 21 °C, altitude 340 m").click()
        page.get_by_label("In boiling water your thermometer shows").fill("100.2")
        page.keyboard.press("Tab")
        page.keyboard.press("Escape")
        page.reload()
        expect(page.get_by_label("Cook to", exact=True)).to_contain_text("On your dial: 115.2 °C")
