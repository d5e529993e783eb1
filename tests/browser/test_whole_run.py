"""A confection of several mixes, made as one run: its line leads from mix to mix, each act pressed once."""

import re
from datetime import UTC, datetime, timedelta
from typing import Any

from playwright.sync_api import Page, expect

from hearth_bowl.core.recipe.families import FAMILY
from tests.browser.page_case import PageCase
from tests.counts import trials

ON = re.compile("next step|Off the heat|Reached|Finish batch")

SENT = "() => !Object.keys(localStorage).some((place) => place.startsWith('hearth-bowl-told-'))"
"""Whether the page has told the server everything."""


class WholeRun(PageCase):
    def line(self, batch: int) -> list[dict[str, Any]]:
        return list(self.server.call("GET", f"/api/batches/{batch}")[1]["line"])

    def go_on(self, page: Page, most: int = 60) -> int:
        """Press every act of the line once; return how many it took."""
        for pressed in range(most):
            title = page.get_by_role("heading", level=1)
            before = title.inner_text()
            button = page.get_by_role("button", name=ON)
            is_last = button.inner_text() == "Finish batch"
            button.click()
            if is_last:
                return pressed + 1
            expect(title).not_to_have_text(before)
            expect(title).to_have_text(re.compile(r"step \d+ of"))
        raise AssertionError("the line does not end")

    def test_two_layers_and_a_topping_are_one_line_from_the_first_act_to_the_verdict(self) -> None:
        page = self.open("/confections/2")
        page.get_by_role("link", name="Make it now").click()
        steps = page.get_by_role("listitem")
        expect(steps.first).to_be_visible()
        page.get_by_role("button", name="Start cooking").click()
        expect(page.get_by_role("heading", name=re.compile("Two-sky squares, step 1 of"))).to_be_visible()
        acts = page.get_by_role("navigation", name="Steps")
        expect(acts.get_by_text("Eyepiece hazelnut paste", exact=True)).to_be_visible()
        first = int(self.server.call("GET", "/api/batches?most=1")[1]["batches"][0]["id"])
        line = self.line(first)
        self.assertEqual(len({act["act_id"] for act in line}), len(line))
        self.assertEqual(self.go_on(page), len(line))
        expect(page.get_by_role("heading", name="Two-sky squares: added to the shelf")).to_be_visible()
        page.wait_for_function(SENT)
        self.assertEqual({act["state"] for act in self.line(first)}, {"done"})
        batches = self.server.call("GET", "/api/batches?most=2")[1]["batches"]
        self.assertEqual({row["confection_id"] for row in batches}, {2})
        self.assertTrue(all(row["ended_at"] for row in batches))

    def test_families_go_from_formula_to_verdict(self) -> None:
        for family in list(FAMILY)[:: max(1, len(FAMILY) // trials(3))]:
            made = self.server.call("POST", "/api/recipes/start", {"family": family, "use": None})[1]["id"]
            with self.subTest(family):
                page = self.open(f"/recipes/{made}/formula")
                expect(page.get_by_role("region", name="Readings")).to_contain_text("Keeps")
                page.get_by_role("navigation", name="Steps of this recipe").get_by_role("link", name="Stove").click()
                page.get_by_role("button", name="Start cooking").click()
                expect(page.get_by_role("heading", level=1)).to_have_text(re.compile("step 1 of"))
                batch = int(self.server.call("GET", "/api/batches?most=1")[1]["batches"][0]["id"])
                self.assertEqual(self.go_on(page), len(self.line(batch)))
                page = self.open(f"/daybook/{batch}")
                expect(page.get_by_role("heading", name="How did it turn out?")).to_be_visible()

    def test_what_is_done_at_the_stove_leaves_only_packing_to_an_occasion_of_three(self) -> None:
        stored = self.server.call("GET", "/api/occasions")[1]["occasions"][0]["asked"]
        ready = (datetime.now() + timedelta(days=4)).replace(hour=19, minute=30, second=0, microsecond=0)
        rows = [{**stored["rows"][0], "confection_id": made} for made in (12, 11, 2)[: 3 if trials(1) > 1 else 2]]
        wishes = {**stored["wishes"], "begins_at": None, "away": []}
        asked = {**stored, "name": "Second evening", "rows": rows, "ready_at": ready.isoformat(), "wishes": wishes}
        status, occasion = self.server.call("POST", "/api/occasions", asked)
        self.assertEqual(status, 201, occasion)
        page = self.open(f"/occasions/{occasion['id']}/order")
        expect(page.get_by_role("heading", level=1)).to_contain_text("Begin")
        for row in rows:
            page = self.open(f"/confections/{row['confection_id']}/stove")
            page.get_by_role("button", name="Start cooking").click()
            expect(page.get_by_role("heading", level=1)).to_have_text(re.compile("step 1 of"))
            self.go_on(page)
            page.wait_for_function(SENT)
        page = self.open(f"/occasions/{occasion['id']}/order")
        expect(page.get_by_role("heading", level=1)).to_contain_text("tasks are done")
        tasks = self.server.call("GET", f"/api/occasions/{occasion['id']}/order")[1]["tasks"]
        left = {one["task"]["id"]: one["task"]["job"] for one in tasks if one["state"] != "done"}
        self.assertLessEqual(set(left.values()), {"pack", "soften", "wash"}, left)

    def test_another_mix_is_gone_to_and_come_back_from_with_the_thermometer(self) -> None:
        begun = self.server.call("POST", "/api/batches", {"recipe_id": 3, "confection_id": 2})[1]
        own, line = begun["batch"]["id"], begun["line"]
        other = next(act for act in line if act["part"] not in ("", begun["batch"]["name"]))
        page = self.open("/confections/2/stove")
        page.get_by_role("navigation", name="Steps").get_by_role("button", name=other["title"]).first.click()
        expect(page.get_by_role("heading", level=1)).to_have_text(re.compile(other["title"], re.IGNORECASE))
        acts = page.get_by_role("navigation", name="Steps")
        expect(acts.get_by_role("button", name=re.compile("waiting"))).to_have_count(1)
        listened = {row["id"]: row["probe_id"] for row in self.server.call("GET", "/api/batches?most=2")[1]["batches"]}
        self.assertEqual(sorted(listened.values()), ["by-hand", "stand-in"])
        self.assertEqual(listened[own], "by-hand")
        acts.get_by_role("button", name=re.compile("waiting")).click()
        expect(page.get_by_role("heading", level=1)).to_have_text(re.compile("step 1 of"))

    def test_a_mix_that_is_begun_later_joins_the_run_that_goes_on(self) -> None:
        first = self.server.call("POST", "/api/batches", {"recipe_id": 3, "confection_id": 2})[1]
        event = {"client_key": "e", "at": datetime.now(UTC).isoformat(), "what": {"kind": "step-done", "key": ""}}
        self.server.call("POST", f"/api/batches/{first['batch']['id']}/events", {"events": [event]})
        mixes = {act["recipe_id"] for act in first["line"]} - {3}
        second = self.server.call("POST", "/api/batches", {"recipe_id": mixes.pop(), "confection_id": 2})[1]
        states = [act["state"] for act in second["line"] if act["batch_id"] == first["batch"]["id"]]
        self.assertEqual((states[0], set(states[1:])), ("done", {"ahead"}))
        again = self.server.call("POST", "/api/batches", {"recipe_id": 3, "confection_id": 2})[1]
        self.assertEqual([a for a in again["line"] if a["batch_id"] == first["batch"]["id"]], [])
