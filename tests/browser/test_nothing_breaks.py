"""What once broke a page: a layer not read yet, one failure for all pages, large saves, a mistake of the server."""

import re
import unittest
from datetime import UTC, datetime, timedelta
from typing import Any

from playwright.sync_api import Route, expect

from tests.browser.page_case import PageCase
from tests.kitchen import recipe_record


class NothingBreaks(PageCase):
    def test_a_thermometer_whose_clock_is_off_is_shown_and_can_go(self) -> None:
        ahead = (datetime.now(UTC) + timedelta(minutes=6)).isoformat()
        body = {"readings": [{"at": ahead, "c": 40.0}]}
        self.assertEqual(self.server.call("POST", "/api/probes/lantern/readings", body)[0], 201)
        page = self.open("/recipes/1/formula")
        page.get_by_role("button", name=re.compile("altitude")).click()
        page.get_by_role("link", name="Thermometers").click()
        expect(page.get_by_role("heading", level=1)).to_have_text("1 thermometer is sending readings")
        mine = page.get_by_role("region", name="Your thermometers")
        expect(mine.get_by_text(re.compile("Its clock is 6 min ahead"))).to_be_visible()
        expect(page.get_by_text(re.compile("thinned 7 days after it ended"))).to_be_visible()
        self.assertEqual(self.violations(), [])
        row = mine.get_by_role("listitem").filter(has_text="lantern")
        row.get_by_role("button", name="Rename lantern").click()
        page.get_by_label("New name for lantern").fill("Brass probe")
        page.get_by_role("button", name="Save name").click()
        expect(row).to_contain_text("Brass probe (lantern)")
        row.get_by_role("button", name="Delete").click()
        page.get_by_role("button", name="Delete", exact=True).last.click()
        expect(row).to_have_count(0)
        self.assertNotIn("lantern", [probe["id"] for probe in self.server.call("GET", "/api/probes")[1]["probes"]])

    def test_a_page_that_failed_says_whose_mistake_it_is_and_the_others_go_on(self) -> None:
        page = self.open("/recipes/1/formula")

        def broken(route: Route) -> None:
            route.fulfill(json={"items": [None]})

        page.route("**/api/larder", broken)
        page.get_by_role("link", name="Larder").first.click()
        expect(page.get_by_role("heading", name="This page could not be opened")).to_be_visible()
        expect(page.get_by_text("This is our mistake")).to_be_visible()
        page.get_by_role("link", name="Daybook").click()
        expect(page.get_by_role("heading", name="Daybook")).to_be_visible()
        self.said.clear()

    def test_a_part_that_fails_says_so_in_its_place_and_the_rest_of_the_page_works(self) -> None:
        is_broken = [True]

        def without_bowl(route: Route) -> None:
            answer = route.fetch().json()
            route.fulfill(json={**answer, "bowl": [None]} if is_broken[0] else answer)

        self.page.route("**/api/formula", without_bowl)
        page = self.open("/recipes/1/formula")
        expect(page.get_by_text("Hearth Bowl could not show the bowl.")).to_be_visible()
        expect(page.get_by_role("region", name="Readings").get_by_text("Split risk")).to_be_visible()
        is_broken[0] = False
        self.amount("Dark chocolate 64 %").press("ArrowUp")
        self.saved()
        page.get_by_role("button", name="Show the bowl again").click()
        expect(page.get_by_role("img", name=re.compile("^The bowl holds"))).to_be_visible()
        self.said.clear()

    def test_a_page_that_is_fetched_shows_its_shape_at_once(self) -> None:
        page = self.open("/recipes/1/formula")
        held: list[Route] = []
        page.route(re.compile("/api/occasions"), lambda route: held.append(route))
        page.get_by_role("link", name="Occasions").click()
        expect(page.get_by_role("status").filter(has_text="Opening")).to_have_count(1)
        for route in held:
            route.continue_()
        page.unroute_all(behavior="ignoreErrors")

    def test_a_recipe_of_four_hundred_lines_is_saved(self) -> None:
        lines = [{"ingredient": "dark60", "amount": 1.0, "unit": "g", "stage": "pour-over"}] * 400
        made = self.server.call("POST", "/api/recipes", {"recipe": recipe_record(lines=lines)})[1]
        page = self.open(f"/recipes/{made['id']}/formula")
        expect(page.get_by_text("In the bowl", exact=True)).to_be_visible()
        field = page.get_by_label("Amount of Dark chocolate 60 %").first
        field.fill("7 g")
        field.press("Enter")
        expect(page.get_by_role("status").filter(has_text="Saved")).to_be_visible()

        def amount() -> Any:
            return self.server.call("GET", f"/api/recipes/{made['id']}")[1]["recipe"]["lines"][0]["amount"]

        page.wait_for_function("() => document.body.innerText.includes('Saved')")
        for _ in range(60):
            if amount() == 7:
                break
            page.wait_for_timeout(250)
        self.assertEqual(amount(), 7)

    def test_what_the_server_fails_at_does_not_hold_up_the_rest(self) -> None:
        batch = self.server.call("POST", "/api/batches", {"recipe_id": 1})[1]["batch"]["id"]
        page = self.open("/recipes/1/stove")
        tries: list[str] = []

        def fails(route: Route) -> None:
            if "it thickened" in (route.request.post_data or ""):
                tries.append(route.request.url)
                route.fulfill(status=500, json={"title": "x", "status": 500, "detail": "Ours", "errors": []})
            else:
                route.continue_()

        page.route(f"**/api/batches/{batch}/events", fails)
        event = {"client_key": "bad", "at": "2026-08-21T19:30:05Z", "what": {"kind": "mark", "name": "it thickened"}}
        page.evaluate(
            "(told) => localStorage.setItem('hearth-bowl-told-0-1', JSON.stringify(told))",
            {"kind": "event", "batch": batch, "event": event},
        )
        page.reload()
        page.get_by_role("button", name="Done, next step").click()

        def steps() -> list[Any]:
            run = self.server.call("GET", f"/api/batches/{batch}")[1]
            return [row["what"]["step"] for row in run["events"] if row["what"]["kind"] == "step"]

        for _ in range(120):
            if steps() == [0, 1]:
                break
            page.wait_for_timeout(250)
        self.assertEqual(steps(), [0, 1])
        self.assertLessEqual(len(tries), 3)
        self.said.clear()

    def test_a_kitchen_temperature_is_taken_by_enter_and_a_dialog_has_a_key_to_close_it(self) -> None:
        page = self.open("/recipes/1/formula")
        page.get_by_role("button", name="Kitchen 21 °C, altitude 340 m").click()
        page.get_by_label("Temperature, °C").fill("24")
        with page.expect_response(lambda response: response.request.method == "PUT"):  # shown before it is kept
            page.get_by_label("Temperature, °C").press("Enter")
        expect(page.get_by_role("button", name="Kitchen 24 °C, altitude 340 m")).to_be_visible()
        self.assertEqual(self.server.call("GET", "/api/settings")[1]["kitchen_c"], 24)
        expect(page.get_by_role("slider", name="Judged at")).to_have_attribute("aria-valuetext", "24 °C")
        self.open("/new")
        page.get_by_role("button", name="Add a tin, mould or other vessel").click()
        dialog = page.get_by_role("dialog", name="Add a tin, mould or other vessel")
        expect(dialog).to_be_visible()
        dialog.get_by_role("button", name="Close").click()
        expect(dialog).to_be_hidden()
        self.assertEqual(self.said, [])

    def test_side_by_side_opens_with_two_different_things(self) -> None:
        page = self.open("/recipes/1/compare")
        expect(page.get_by_role("columnheader")).to_have_count(3)
        first, second = page.get_by_role("columnheader").all_inner_texts()[1:3]
        self.assertNotEqual(first, second)


if __name__ == "__main__":
    unittest.main()
