"""The running order as a cook walks it: from recipes to a printed order, followed, late, and on a second device."""

from datetime import datetime, timedelta

from playwright.sync_api import Route, expect

from tests.browser.page_case import PageCase, choose


class Order(PageCase):
    def test_today_says_what_to_do_now_and_one_press_says_it_is_done(self) -> None:
        page = self.open("/")
        page.get_by_text("Show its running order").click()
        expect(page.get_by_role("heading", name="Roll the balls round: Moonrock truffles")).to_be_visible()
        self.assertEqual(self.violations(), [])
        page.get_by_role("button", name="Done").click()
        expect(page.get_by_role("heading", name="Temper Milk chocolate 38 %")).to_be_visible()
        expect(page.get_by_role("heading", name="Waiting")).to_be_visible()
        page.get_by_role("link", name="Open evening").click()
        expect(page.get_by_role("heading", level=1)).to_contain_text("27 of 44 tasks are done")

    def test_a_calmer_plan_is_looked_for_until_the_cook_keeps_the_one_that_there_is(self) -> None:
        page = self.page
        held: list[Route] = []

        def hold(route: Route) -> None:
            if '"best"' in (route.request.post_data or ""):
                held.append(route)
            else:
                route.continue_()

        page.route("**/order", hold)
        stored = self.server.call("GET", "/api/occasions")[1]["occasions"][0]["asked"]
        ready = (datetime.now() + timedelta(days=4)).replace(microsecond=0)
        asked = {**stored, "name": "Second evening", "rows": stored["rows"][:1], "ready_at": ready.isoformat()}
        evening = self.server.call("POST", "/api/occasions", asked)[1]["id"]
        self.open(f"/occasions/{evening}/order", page)
        expect(page.get_by_text("Looking for a calmer plan")).to_be_visible()
        expect(page.get_by_role("heading", level=1)).to_contain_text("Begin")
        page.get_by_role("button", name="Keep this plan").click()
        expect(page.get_by_text("Looking for a calmer plan")).to_have_count(0)
        expect(page.get_by_role("button", name="Plan the rest again")).to_be_enabled()
        for route in held:
            route.abort()

    def test_each_job_says_why_it_stands_there_and_how_far_it_may_slip(self) -> None:
        page = self.open("/occasions/1/order")
        page.get_by_role("button", name="Pack the boxes").click()
        expect(page.get_by_text("Can wait 1 h 25 min")).to_be_visible()
        expect(page.get_by_text("Why here: packed when everything is ready")).to_be_visible()
        self.assertEqual(self.violations(), [])

    def test_the_stove_makes_the_number_of_the_evening_that_it_was_opened_from(self) -> None:
        stored = self.server.call("GET", "/api/occasions")[1]["occasions"][0]["asked"]
        ready = (datetime.now() + timedelta(days=4)).replace(microsecond=0)
        asked = {**stored, "name": "Second evening", "rows": stored["rows"][:1], "ready_at": ready.isoformat()}
        evening = self.server.call("POST", "/api/occasions", asked)[1]["id"]
        page = self.open(f"/confections/9/stove?occasion={evening}")
        expect(page.get_by_text("the amount for 42 Late-watch cones, Second evening")).to_be_visible()
        page.get_by_role("button", name="Start cooking").click()
        expect(page.get_by_role("heading", level=1)).to_contain_text("Late-watch coffee centres, step")
        newest = self.server.call("GET", "/api/batches?most=1")[1]["batches"][0]["id"]
        run = self.server.call("GET", f"/api/batches/{newest}")[1]
        self.assertEqual(run["occasion_id"], evening)
        self.assertIn("shell.3", [step["act_id"] for step in run["steps"]])

    def test_a_second_device_sees_the_same(self) -> None:
        page = self.open("/occasions/1/order")
        page.get_by_role("button", name="Roll the balls round: Moonrock truffles: done").click()
        expect(page.get_by_role("heading", level=1)).to_contain_text("27 of 44")
        other = self.open("/occasions/1/order", self.new_page(390, 844))
        expect(other.get_by_role("heading", level=1)).to_contain_text("27 of 44")
        self.assertLessEqual(other.evaluate("document.documentElement.scrollWidth"), 390)

    def test_one_wish_otherwise_is_told_beside_and_taken_by_one_press(self) -> None:
        page = self.open("/occasions/1/order")
        choose(page.get_by_label("What if"), "cook")
        expect(page.get_by_text("hands-on").last).to_be_visible()
        page.get_by_role("button", name="Use this plan").click()
        expect(page.get_by_role("button", name="Hands: two people")).to_be_visible()
        expect(page.get_by_role("heading", name="Cook 2")).to_be_visible()

    def test_from_recipes_to_a_printed_order_of_three_confections_in_fewer_than_15_actions(self) -> None:
        page, actions = self.open("/occasions"), 0
        page.get_by_role("button", name="New occasion").click()
        expect(page.get_by_label("Name", exact=True)).to_have_value("New occasion")
        for name in ("Night-sky drops", "Hill-top squares", "Late-watch cones"):
            page.get_by_role("button", name="Add pieces").click()
            choose(page.get_by_role("combobox", name="Piece", exact=True).last, text=name)
            actions += 2
        ready = (datetime.now() + timedelta(days=3)).replace(hour=19, minute=30)
        page.get_by_label("Ready by").fill(ready.strftime("%Y-%m-%dT%H:%M"))
        page.get_by_role("link", name="The running order").click()
        expect(page.get_by_role("heading", level=1)).to_contain_text("Begin")
        expect(page.get_by_role("button", name="Pack the boxes")).to_be_visible()
        sheet = page.get_by_role("link", name="Print the order").get_attribute("href")
        self.assertTrue(page.request.get(f"{self.server.url}{sheet}").body().startswith(b"%PDF-"))
        self.assertLess(actions + 4, 15)
        page.emulate_media(media="print")
        expect(page.get_by_role("link", name="Print the order")).to_be_hidden()
        expect(page.get_by_role("cell", name="Dip them: Night-sky drops")).to_be_visible()

    def test_what_cannot_be_says_which_wishes_stand_against_each_other_and_mends_it(self) -> None:
        self.server.call("DELETE", "/api/occasions/1/order")
        row = self.server.call("GET", "/api/occasions")[1]["occasions"][0]
        wishes = {**row["asked"]["wishes"], "begins_at": "2026-08-14T12:00:00", "away": []}
        asked = {**row["asked"], "wishes": wishes}
        self.server.call("PUT", "/api/occasions/1", {"revision": row["revision"], "asked": asked})
        page = self.open("/occasions/1/order")
        expect(page.get_by_text("What prevents it:")).to_be_visible()
        expect(page.get_by_text("Everything has to be ready by then.")).to_be_visible()
        self.assertEqual(self.violations(), [])
        page.get_by_role("button", name="Use the smallest change").click()
        expect(page.get_by_role("heading", level=1)).to_contain_text("Begin")
