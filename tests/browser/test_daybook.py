"""The daybook and "What do you see?" as a cook uses them: mended by the scale, laid over, changed from, taught from."""

import re
from typing import Any

from playwright.sync_api import Page, expect

from tests.browser.page_case import PageCase


def line(key: str, amount: float, stage: str) -> dict[str, Any]:
    return {"ingredient": key, "amount": amount, "unit": "g", "stage": stage}


SPLITS = {
    "name": "Split by its numbers",
    "family": "cream-ganache",
    "use": "roll",
    "lines": [line("milk33", 400, "pour-over"), line("cream35", 110, "warm")],
}


class Seen(PageCase):
    def run_that_splits(self) -> tuple[int, int]:
        recipe = self.server.call("POST", "/api/recipes", {"recipe": SPLITS})[1]["id"]
        run = self.server.call("POST", "/api/batches", {"recipe_id": recipe})[1]
        join = next(number for number, step in enumerate(run["steps"]) if step["key"] == "join")
        self.server.call("DELETE", f"/api/batches/{run['batch']['id']}")
        run = self.server.call("POST", "/api/batches", {"recipe_id": recipe, "from_step": join})[1]
        return recipe, run["batch"]["id"]

    def scale(self, grams: float) -> None:
        self.server.call("POST", "/api/scales/bench/weights", {"weights": [{"g": grams}]})

    def test_a_split_ganache_is_mended_by_the_scale_in_fewer_than_eight_actions(self) -> None:
        recipe, batch = self.run_that_splits()
        self.scale(1000.0)
        page = self.open(f"/recipes/{recipe}/stove")
        actions = 0

        def press(what: Any) -> None:
            nonlocal actions
            what.click()
            actions += 1

        press(page.get_by_role("link", name="What do you see?"))
        expect(page.get_by_role("heading", name="What do you see?")).to_be_visible()
        press(page.get_by_role("button", name=re.compile("^split")))
        expect(page.get_by_text("Mend it", exact=True)).to_be_visible()
        expect(page.get_by_text(re.compile("33 g whole milk, warm, a spoon at a time, brings it back"))).to_be_visible()
        self.assertEqual(self.violations(), [])
        press(page.get_by_role("button", name="Count on the scale"))
        self.scale(1015.0)
        expect(page.get_by_text(re.compile("18 g more whole milk"))).to_be_visible()
        self.scale(1045.0)
        expect(page.get_by_text("Stop: 12 g too much")).to_be_visible()
        self.scale(1033.0)
        expect(page.get_by_text("That is all of it")).to_be_visible()
        press(page.get_by_role("button", name="It came together"))
        expect(page.get_by_text("Kept with the batch")).to_be_visible()
        self.assertLess(actions, 8)
        page.wait_for_function("() => !Object.keys(localStorage).some((k) => k.startsWith('hearth-bowl-told-'))")
        run = self.server.call("GET", f"/api/batches/{batch}")[1]
        (mended,) = run["state"]["mended"]
        self.assertAlmostEqual(mended["put_in"][0]["g"], 33, delta=0.5)
        self.assertAlmostEqual(sum(run["state"]["amounts_g"]), 543, delta=1)

    def test_questions_are_few_and_a_passing_look_has_no_remedy(self) -> None:
        page = self.open("/see/recipe/1?at=join")
        page.get_by_role("button", name=re.compile("^curdled")).press("Enter")
        for _ in range(4):
            fields = page.get_by_role("group").filter(has=page.get_by_role("button", name="Not sure"))
            if fields.count() == 0:
                break
            question = fields.locator("legend").inner_text()
            fields.get_by_role("button", name="No", exact=True).click()
            expect(page.get_by_text(question, exact=True)).to_have_count(0)
        expect(page.get_by_text("It passes", exact=True)).to_be_visible()
        expect(page.get_by_role("region", name="What to do")).to_have_count(0)

    def test_what_spoils_is_thrown_away_and_every_place_leads_there_on_a_phone_too(self) -> None:
        phone = self.new_page(390, 844)
        page = self.open("/see/batch/14", phone)
        page.get_by_role("button", name=re.compile("^mouldy")).click()
        expect(page.get_by_text("Start again", exact=True)).to_be_visible()
        expect(page.get_by_text(re.compile("Throw all of it away"))).to_be_visible()
        self.assertLessEqual(page.evaluate("document.documentElement.scrollWidth"), 390)
        self.assertEqual(self.violations(page), [])
        for place in ("/", "/daybook", "/daybook/14", "/confections/1", "/recipes/1/set"):
            self.open(place)
            expect(self.page.get_by_role("link", name=re.compile("What do you see"))).to_be_visible()


class Daybook(PageCase):
    def test_two_batches_are_compared_and_the_next_version_made_in_fewer_than_six_actions(self) -> None:
        page = self.open("/")
        page.get_by_role("link", name="Daybook").click()
        page.get_by_label("Pick Perseid fudge, 24 January 2026").check()
        page.get_by_label("Pick Perseid fudge, 21 February 2026").check()
        page.get_by_role("button", name="Compare these batches").click()
        expect(page.get_by_role("heading", level=1)).to_contain_text("that is why it turned out just right")
        self.assertEqual(self.violations(), [])
        page.get_by_role("button", name="Save as the next version").click()
        expect(page.get_by_text(re.compile(r"Version 2 is kept: After .*hotter"))).to_be_visible()
        page.get_by_role("button", name="Aligned at: the start").click()
        page.get_by_role("option", name="Boil to the end").click()
        expect(page.get_by_role("button", name="Aligned at: boil to the end")).to_be_visible()
        page.get_by_role("link", name="Open the recipe").click()
        expect(page.get_by_role("heading", level=1, name="Perseid fudge")).to_be_visible()

    def test_it_is_searched_and_a_batch_shows_what_was_planned_and_takes_a_photograph(self) -> None:
        page = self.open("/daybook")
        page.get_by_label("Find a recipe, an ingredient, a word of your notes").fill("telephone")
        expect(page.get_by_role("link", name=re.compile("Perseid fudge"))).to_have_count(1)
        page.get_by_label("Find a recipe, an ingredient, a word of your notes").fill("")
        page.get_by_role("button", name="Verdict: any way").click()
        page.get_by_role("option", name="spoiled").click()
        expect(page.get_by_role("link", name=re.compile("Cloud-cover"))).to_have_count(1)
        self.assertEqual(self.violations(), [])
        self.open("/daybook/16")
        row = page.get_by_role("row").filter(has_text="Boil to the end, hottest")
        expect(row).to_contain_text("118")
        picture = self.picture(page)
        page.get_by_label("Add a photograph").set_input_files(
            {"name": "fudge.png", "mimeType": "image/png", "buffer": picture}
        )
        expect(page.get_by_role("img", name=re.compile("The batch on"))).to_be_visible()
        self.assertEqual(self.violations(), [])

    def picture(self, page: Page) -> bytes:
        return page.get_by_role("row").first.screenshot()

    def test_what_the_kitchen_taught_is_looked_into_and_a_batch_left_out(self) -> None:
        page = self.open("/daybook/kitchen")
        thing = page.get_by_role("listitem").filter(has_text="How firm Dark chocolate 64 % sets")
        expect(thing).to_contain_text("(5 batches)")
        thing.locator("summary").click()
        thing.get_by_role("button", name="Ignore").first.click()
        expect(thing).to_contain_text("(4 batches)")
        self.assertEqual(self.violations(), [])
        page.get_by_role("button", name="Forget everything learned").click()
        page.get_by_role("button", name="Forget it").click()
        expect(page.get_by_role("heading", level=1)).to_have_text("Nothing learned from this kitchen yet")
