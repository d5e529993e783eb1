"""Stove, Set and Daybook as a cook uses them: a run from weighing to its verdict, calls, clocks, a lost connection."""

import re
from datetime import UTC, datetime, timedelta
from typing import Any

from playwright.sync_api import Page, expect

from tests.browser.page_case import PageCase, choose


class KitchenPage(PageCase):
    def sent(self, page: Page | None = None) -> None:
        """Wait until the page has told the server everything."""
        (page or self.page).wait_for_function(
            "() => !Object.keys(localStorage).some((place) => place.startsWith('hearth-bowl-told-'))"
        )

    def type_reading(self, page: Page, *keys: str) -> None:
        """Type a reading by hand and use it."""
        shown = page.get_by_role("button", name=re.compile("type a reading"))
        if shown.get_attribute("aria-expanded") == "false":
            shown.click()
        for key in keys:
            page.get_by_role("button", name=key, exact=True).click()
        page.get_by_role("button", name="Use this reading").click()

    def newest(self) -> int:
        return int(self.server.call("GET", "/api/batches?most=1")[1]["batches"][0]["id"])

    def events(self, batch: int | None = None) -> list[dict[str, Any]]:
        return list(self.server.call("GET", f"/api/batches/{batch or self.newest()}")[1]["events"])


class Wrong(KitchenPage):
    def fudge(self, page: Page) -> int:
        """Start a boiled fudge at its boil, with readings by hand."""
        made = self.server.call("POST", "/api/recipes/start", {"family": "boiled-fudge", "use": "cut"})[1]["id"]
        plan = self.server.call("POST", "/api/batches/plan", {"recipe_id": made})[1]["steps"]
        at = next(i for i, step in enumerate(plan) if step["heat"] == "boil")
        body = {"recipe_id": made, "from_step": at, "probe_id": "by-hand"}
        self.server.call("POST", "/api/batches", body)
        self.open(f"/recipes/{made}/stove", page)
        return made

    def test_a_boil_that_went_past_its_end_says_its_dose_until_it_is_answered(self) -> None:
        page = self.new_page(390, 844)
        self.fudge(page)
        self.type_reading(page, "1", "2", "5")
        self.type_reading(page, "1", "2", "6")
        expect(page.get_by_role("heading", name="Past its end: off the heat", level=2)).to_be_visible()
        expect(page.get_by_text(re.compile(r"Stir in \d+ g of hot water")).first).to_be_visible()
        page.get_by_role("button", name="Off the heat", exact=True).click()
        wrong = page.get_by_role("alert").filter(has_text="It was boiled to 125 °C: too much water is gone.")
        expect(wrong).to_be_visible()
        self.assertEqual(self.violations(page), [])
        wrong.get_by_role("button", name="Boil it again").click()
        expect(page.get_by_role("heading", level=1)).to_have_text(re.compile("boil to the end", re.IGNORECASE))
        expect(wrong).to_have_count(0)

    def test_a_whole_boil_by_hand_in_fahrenheit_on_a_phone_with_text_of_twice_the_size(self) -> None:
        settings = self.server.call("GET", "/api/settings")[1]
        self.server.call("PUT", "/api/settings", {**settings, "temperature_unit": "F"})
        page = self.new_page(390, 844)
        self.fudge(page)
        page.evaluate("document.documentElement.style.fontSize = '200%'")
        target = self.server.call("GET", f"/api/batches/{self.newest()}")[1]["steps"]
        ends_c = next(step["target_c"] for step in target if step["heat"] == "boil")
        end_f = round(sum(ends_c) / 2 * 1.8 + 32)
        for fahrenheit in (205, 221, end_f):
            self.type_reading(page, *str(fahrenheit))
            expect(page.get_by_text("Taken. Last readings")).to_contain_text(f"{fahrenheit} °F")
            self.assertLessEqual(page.evaluate("document.documentElement.scrollWidth"), 390, fahrenheit)
        called = page.get_by_role("alertdialog", name="Off the heat")
        expect(called).to_be_visible()
        self.assertLessEqual(page.evaluate("document.documentElement.scrollWidth"), 390)
        self.assertEqual(self.violations(page), [])
        called.get_by_role("button").first.click()
        page.get_by_role("button", name="Off the heat", exact=True).click()
        expect(page.get_by_role("heading", level=1)).to_have_text(re.compile("let it cool", re.IGNORECASE))
        self.assertLessEqual(page.evaluate("document.documentElement.scrollWidth"), 390)
        self.sent(page)
        kept = self.server.call("GET", "/api/probes")[1]["probes"]
        by_hand = next(probe["last_c"] for probe in kept if probe["id"] == "by-hand")
        self.assertAlmostEqual(by_hand, (end_f - 32) / 1.8, delta=0.1)

    def test_a_fudge_that_cooled_too_far_is_not_called_to_be_beaten(self) -> None:
        page = self.page
        self.fudge(page)
        page.get_by_role("button", name="Off the heat", exact=True).click()
        self.type_reading(page, "3", "0")
        expect(page.get_by_role("heading", name="Too cold to beat")).to_be_visible()
        expect(page.get_by_text("Set the pan in hot water and stir until it reads 43 to 50 °C.")).to_be_visible()


class Stove(KitchenPage):
    def start(self, recipe: int = 1, page: Page | None = None, begin: str = "") -> Page:
        self.server.call("PUT", "/api/probes/stand-in/speed", {"speed": 1.0})  # the stand-in is there
        page = self.open(f"/recipes/{recipe}/stove", page)
        expect(page.get_by_label("Thermometer")).to_have_attribute("data-value", "stand-in")
        page.get_by_role("button", name=f"Start here: {begin}" if begin else "Start cooking").click()
        expect(page.get_by_role("heading", name=re.compile(f"step {2 if begin else 1} of"))).to_be_visible()
        return page

    def send(self, *readings: tuple[float, float]) -> None:
        now = datetime.now(UTC)
        rows = [{"at": (now - timedelta(seconds=before)).isoformat(), "c": c} for before, c in readings]
        self.assertEqual(self.server.call("POST", "/api/probes/stand-in/readings", {"readings": rows})[0], 201)

    def test_a_run_from_weighing_to_its_verdict(self) -> None:
        page = self.start()
        page.get_by_label("Weighed Dark chocolate 64 %, g").fill("430")
        page.get_by_role("button", name="Keep the weight of Dark chocolate 64 %").click()
        expect(page.get_by_text("The rest is moved so that it sets as it was meant to.")).to_be_visible()
        page.get_by_role("button", name="Use these for the rest").click()
        page.get_by_role("button", name="Done, next step").click()
        expect(page.get_by_role("heading", name=re.compile("step 2 of 8: scald the cream"))).to_be_visible()
        page.get_by_role("button", name="Weigh, 3").click()
        expect(page.get_by_text("210 g", exact=True)).to_have_count(0)
        page.get_by_role("button", name="Small bubbles where cream meets the pan").click()
        page.get_by_role("button", name="Off the heat").click()
        page.get_by_role("button", name="Reached; next step").click()
        page.get_by_role("button", name="Reached; next step").click()
        page.get_by_role("link", name="Open the set clock").click()
        page.get_by_role("button", name="Start the timer").click()
        expect(page.get_by_text(re.compile("Fridge since"))).to_be_visible()
        self.open("/recipes/1/stove")
        for _ in range(3):
            page.get_by_role("button", name=re.compile("next step")).click()
        page.get_by_role("button", name="Finish batch").click()
        expect(page.get_by_role("heading", name="How did it turn out?")).to_be_visible()
        expect(page.get_by_text("Done", exact=True)).to_be_visible()
        self.sent()
        kinds = [(event["what"]["kind"], event["what"].get("answer")) for event in self.events()]
        self.assertIn(("gate", "yes"), kinds)
        self.assertIn(("gate", "skipped"), kinds)
        self.assertIn("set-start", [kind for kind, _ in kinds])
        self.assertEqual(kinds[-1][0], "end")
        expect(page.get_by_text("Join cream and chocolate: question skipped")).to_be_visible()
        page.get_by_role("button", name="silky").click()
        page.get_by_label("Notes").fill("For the open evening")
        page.get_by_role("button", name="Save verdict").click()
        expect(page.get_by_text("Verdict: silky")).to_be_visible()
        self.assertEqual(self.violations(), [])
        self.open("/daybook")
        expect(page.get_by_role("link", name=re.compile("Night-sky truffles.*silky")).first).to_be_visible()

    def test_the_call_says_when_and_then_fills_the_screen(self) -> None:
        page = self.start(begin="Scald the cream")
        self.send(*((40.0 - t, 40.0 + 0.3 * t) for t in range(40)))
        expect(page.get_by_role("heading", name=re.compile(r"Off the heat in about \d+ (s|min)"))).to_be_visible()
        self.send((0.0, 52.0))
        expect(page.get_by_role("img", name=re.compile("the target is 84°"))).to_be_visible()
        self.assertEqual(self.violations(), [])
        self.send(*((6.0 - t / 7, 84.0 + t / 40) for t in range(40)))
        expect(page.get_by_role("alertdialog", name="Off the heat")).to_be_visible()
        other = self.open("/recipes/1/stove", self.new_page(390, 844))
        expect(other.get_by_role("alertdialog", name="Off the heat")).to_be_visible()
        page.get_by_role("button", name="Seen").click()
        expect(page.get_by_role("heading", name="Off the heat now")).to_be_visible()
        expect(other.get_by_role("alertdialog")).to_have_count(0)

    def test_without_a_thermometer_the_cue_is_the_large_thing(self) -> None:
        page = self.new_page(390, 844)
        self.open("/recipes/1/stove", page)
        page.get_by_role("button", name="Start here: Scald the cream").click()
        cue = page.get_by_role("heading", name="Small bubbles where cream meets the pan")
        expect(cue).to_be_visible()
        expect(page.get_by_text(re.compile(r"0:\d\d since it began\. Usually"))).to_be_visible()
        self.assertLess(cue.bounding_box()["y"], 400)
        self.assertEqual(self.violations(page), [])
        self.type_reading(page, "3", "0")
        expect(page.get_by_text("30.0")).to_be_visible()
        expect(page.get_by_text(re.compile(r"^read \d+ s ago"))).to_be_visible()
        now = page.get_by_text("30.0").bounding_box()
        self.assertTrue(now["y"] + now["height"] < 844 / 2, now)

    def test_a_reading_by_hand_and_a_mark(self) -> None:
        page = self.start()
        page.get_by_role("button", name="Done, next step").click()
        page.get_by_text("Enter readings by hand, voice").click()
        self.type_reading(page, "3", "1", "and a half")
        expect(page.get_by_text("31.5").first).to_be_visible()
        page.get_by_role("button", name="One degree more").click()
        page.get_by_role("button", name="Use this reading").click()
        expect(page.get_by_text("Last readings: 31.5, 32.5 °C")).to_be_visible()
        page.get_by_role("button", name="Mark", exact=True).click()
        page.get_by_role("button", name="dissolved").click()
        expect(page.get_by_text("dissolved")).to_be_visible()

    def test_clocks_outlive_a_reload_and_a_restart(self) -> None:
        page = self.start()
        page.get_by_role("button", name="Start a timer").click()
        page.get_by_label("For what").fill("Shells chill")
        page.get_by_label("Minutes").fill("12")
        page.get_by_role("button", name="Start timer").click()
        expect(page.get_by_role("button", name=re.compile(r"1[12]:\d\d\s*Shells chill"))).to_be_visible()
        self.server.kill()
        self.server.start()
        page.reload()
        page.get_by_role("button", name=re.compile("Shells chill")).click()
        page.get_by_role("button", name="5 min more").click()
        expect(page.get_by_role("button", name=re.compile(r"16:\d\d\s*Shells chill"))).to_be_visible()
        page.get_by_role("button", name="Stop it").click()
        expect(page.get_by_role("button", name=re.compile("Shells chill"))).to_have_count(0)

    def test_a_lost_connection_keeps_what_happens_until_it_is_back(self) -> None:
        page = self.start()
        page.get_by_role("button", name="Done, next step").click()
        expect(page.get_by_role("heading", name=re.compile("step 2 of"))).to_be_visible()
        self.sent()
        self.server.kill()
        expect(page.get_by_text("Hearth Bowl is not answering.")).to_be_visible()
        gate = page.get_by_role("button", name="Small bubbles where cream meets the pan")
        gate.click()
        expect(gate).to_have_attribute("aria-pressed", "true")
        page.get_by_text("Enter readings by hand, voice").click()
        self.type_reading(page, "3", "0")
        page.get_by_role("button", name="Start a timer").click()
        page.get_by_label("For what").fill("Cream")
        page.get_by_role("button", name="Start timer").click()
        clock = page.get_by_role("button", name=re.compile("Cream.*not sent yet"))
        clock.click()
        page.get_by_role("button", name="5 min more: Cream").click()
        page.keyboard.press("Escape")
        expect(page.get_by_role("button", name=re.compile(r"14:\d\d\s*Cream"))).to_be_visible()
        page.get_by_role("button", name="Off the heat").click()
        expect(page.get_by_role("heading", name=re.compile("step 3 of"))).to_be_visible()
        expect(page.get_by_text("5 kept in this browser, not sent yet.")).to_be_visible()
        self.server.start()
        self.sent()
        expect(page.get_by_text("not sent yet")).to_have_count(0)
        expect(page.get_by_text("Hearth Bowl is not answering.")).to_have_count(0)
        happened = [(event["what"]["kind"], event["what"].get("step")) for event in self.events()]
        self.assertEqual(happened, [("step", 0), ("step", 1), ("gate", None), ("step", 2)])
        self.assertEqual(self.server.call("GET", "/api/probes")[1]["probes"][0]["last_c"], 30)
        (timer,) = self.server.call("GET", "/api/timers")[1]["timers"]
        self.assertTrue(timer["name"] == "Cream" and 840 < timer["left_s"] < 900, timer)

    def test_a_forecast_goes_on_without_the_connection_and_calls(self) -> None:
        page = self.start(begin="Scald the cream")
        self.send(*((40.0 - t, 30.0 + 0.8 * t) for t in range(40)))
        expect(page.get_by_role("heading", name=re.compile("Off the heat in about"))).to_be_visible()
        self.server.kill()
        expect(page.get_by_text(re.compile(r"^read \d+ s ago"))).to_be_visible()
        expect(page.get_by_role("alertdialog", name="Off the heat")).to_be_visible()
        self.server.start()

    def test_a_page_opened_while_nothing_answers_comes_by_itself(self) -> None:
        page = self.open("/larder")
        self.server.kill()
        page.get_by_role("link", name="Hearth Bowl").click()
        expect(page.get_by_role("heading", name="Hearth Bowl is not answering")).to_be_visible()
        self.server.start()
        expect(page.get_by_role("heading", name="Nothing is on the hob")).to_be_visible()

    def test_a_browser_with_a_wrong_clock_that_believes_to_be_offline(self) -> None:
        page = self.new_page()
        page.add_init_script("const now = Date.now.bind(Date); Date.now = () => now() - 11 * 60000")
        self.start(page=page)
        page.evaluate("window.dispatchEvent(new Event('offline'))")
        page.get_by_role("button", name="Done, next step").click()
        self.send((0.0, 52.0))
        expect(page.get_by_text("52.0")).to_be_visible()
        page.get_by_role("button", name="Mark", exact=True).click()
        page.get_by_role("button", name="dissolved").click()
        page.get_by_role("button", name="Start a timer").click()
        page.get_by_role("button", name="Start timer").click()
        expect(page.get_by_role("button", name=re.compile(r"(10:00|9:5\d)\s*Timer$"))).to_be_visible()
        self.sent(page)
        at = datetime.fromisoformat(self.events()[-1]["at"])
        self.assertLess(abs((datetime.now(UTC) - at).total_seconds()), 30)

    def test_a_clock_is_in_sight_on_every_page_and_says_by_how_much_it_is_over(self) -> None:
        self.server.call("POST", "/api/timers", {"name": "Trays out", "seconds": 1.0})
        page = self.open("/recipes/1/formula")
        clock = page.get_by_role("button", name=re.compile(r"\+0:\d\d Trays out, overdue"))
        expect(clock).to_be_visible()
        expect(page.get_by_role("alert").filter(has_text="Trays out: time is up.")).to_have_count(1)
        clock.click()
        self.assertEqual(self.violations(), [])
        page.get_by_role("button", name="1 min more: Trays out").click()
        expect(page.get_by_role("button", name=re.compile(r"(1:00|0:5\d) Trays out$"))).to_be_visible()
        page.get_by_role("button", name="Stop it: Trays out").click()
        expect(page.get_by_text("Trays out")).to_have_count(0)

    def test_it_begins_in_the_middle_and_hears_another_thermometer(self) -> None:
        page = self.open("/recipes/1/stove")
        expect(page.get_by_label("Thermometer")).to_have_attribute("data-value", "by-hand")
        self.server.call("POST", "/api/probes/stick/readings", {"c": 41.5})
        page.reload()
        expect(page.get_by_label("Thermometer")).to_have_attribute("data-value", "stick")
        choose(page.get_by_label("The butter", exact=True), "early")
        expect(page.get_by_text("Stir in the butter")).to_have_count(0)
        expect(page.get_by_label("Temper shells and coats")).to_have_count(0)
        page.get_by_role("button", name="Start here: Join cream and chocolate").click()
        expect(page.get_by_role("heading", name=re.compile("step 3 of 7: join cream and chocolate"))).to_be_visible()
        self.server.call("POST", "/api/probes/stick/readings", {"c": 41.5})
        expect(page.get_by_text("41.5")).to_be_visible()
        expect(page.get_by_role("img", name=re.compile("42° now"))).to_be_visible()
        choose(page.get_by_label("Thermometer"), "by-hand")
        page.get_by_role("button", name="One degree less").click()
        page.get_by_role("button", name="Use this reading").click()
        expect(page.get_by_text("41.0")).to_be_visible()
        self.assertEqual(self.violations(), [])

    def test_every_word_speaks_in_the_degrees_of_the_person(self) -> None:
        self.server.call(
            "PUT", "/api/settings", {**self.server.call("GET", "/api/settings")[1], "temperature_unit": "F"}
        )
        page = self.open("/recipes/1/stove")
        expect(page.get_by_text("Below 86 °F before the fridge")).to_be_visible()
        page.get_by_role("button", name="Start here: Join cream and chocolate").click()
        expect(page.get_by_text("Between 95 and 113 °F fat and water hold together")).to_be_visible()
        page.get_by_role("navigation", name="Steps").get_by_role("button", name="Let it firm up").click()
        expect(page.get_by_text("Let it cool to 86 °F, then rest it in the fridge.")).to_be_visible()
        self.assertNotIn("°C", page.get_by_role("main").inner_text())

    def test_a_second_device_follows_the_run_and_may_go_on_with_it(self) -> None:
        first = self.start()
        second = self.open("/recipes/1/stove", self.new_page(390, 844))
        first.get_by_role("button", name="Done, next step").click()
        expect(second.get_by_role("heading", name=re.compile("step 2 of"))).to_be_visible()
        gate = "Small bubbles where cream meets the pan"
        second.get_by_role("button", name=gate).click()
        expect(first.get_by_role("button", name=gate)).to_have_attribute("aria-pressed", "true")
        second.get_by_role("button", name="Off the heat").click()
        expect(first.get_by_role("heading", name=re.compile("step 3 of"))).to_be_visible()
        for _ in range(5):
            first.get_by_role("button", name=re.compile("next step$")).click()
        first.get_by_role("button", name="Finish batch").click()
        expect(second.get_by_role("button", name="Start cooking")).to_be_visible()

    def test_the_weight_comes_from_the_scale_that_spoke_last(self) -> None:
        page = self.start()
        read = page.get_by_role("button", name="Read the scale for Dark chocolate 64 %")
        read.click()
        expect(page.get_by_text("The scale is silent")).to_be_visible()
        self.server.call("POST", "/api/scales/bench/weights", {"weights": [{"g": 391.0}]})
        read.click()
        expect(page.get_by_label("Weighed Dark chocolate 64 %, g")).to_have_value("391")
        expect(page.get_by_text("The scale is silent")).to_have_count(0)

    def test_a_batch_is_deleted_only_when_one_is_sure(self) -> None:
        self.start()
        batch = self.newest()
        page = self.open(f"/daybook/{batch}")
        page.get_by_role("button", name="Delete this batch").click()
        page.get_by_role("button", name="Cancel").click()
        self.assertEqual(len(self.events()), 1)
        page.get_by_role("button", name="Delete this batch").click()
        page.get_by_role("button", name="Delete", exact=True).click()
        expect(page.get_by_role("heading", name="Daybook")).to_be_visible()
        self.assertEqual(self.server.call("GET", f"/api/batches/{batch}")[0], 404)

    def test_on_a_phone_and_with_large_targets(self) -> None:
        page = self.start(page=self.new_page(390, 844))
        self.assertLessEqual(page.evaluate("document.documentElement.scrollWidth"), 390)
        for name in ("Done, next step", "Mark"):
            box = page.get_by_role("button", name=name, exact=True).bounding_box()
            assert box is not None
            self.assertGreaterEqual(box["height"], 64)

    def test_a_run_needs_no_scrolling_on_a_laptop(self) -> None:
        page = self.start(5)
        for _ in range(4):
            self.assertLessEqual(page.evaluate("document.documentElement.scrollHeight"), 800)
            page.get_by_role("button", name=re.compile("next step|Off the heat")).click()


class Setting(KitchenPage):
    def test_the_clock_is_corrected_by_a_reading_and_a_touch(self) -> None:
        page = self.open("/recipes/3/set")
        expect(page.get_by_role("heading", name=re.compile("Cool in about 1 h"))).to_be_visible()
        expect(page.get_by_text("As an 8 mm sheet, fridge")).to_be_visible()
        page.get_by_label("After, min").fill("30")
        page.get_by_label("Temperature, °C").fill("30")
        page.get_by_role("button", name="Update the estimate").click()
        expect(page.get_by_text(re.compile("By the reading it cools .* slower"))).to_be_visible()
        page.get_by_role("button", name="Holds its mark").click()
        expect(page.get_by_role("heading", name="Cool in about 30 min")).to_be_visible()
        self.assertEqual(self.violations(), [])
        choose(page.get_by_label("In", exact=True), "counter")
        expect(page.get_by_role("heading", name="It does not set there")).to_be_visible()
        choose(page.get_by_label("In", exact=True), "freezer")
        expect(page.get_by_text("A freezer makes chocolate dull")).to_be_visible()
        choose(page.get_by_label("Remind me at each stage"), "moulded")
        expect(page.get_by_text("they come loose by themselves")).to_be_visible()

    def test_the_clock_that_runs_is_the_same_after_a_reload_and_elsewhere(self) -> None:
        page = self.open("/recipes/3/set")
        page.get_by_label("Thick, mm").fill("20")
        choose(page.get_by_label("In", exact=True), "larder")
        page.get_by_role("button", name="Start the timer").click()
        expect(page.get_by_text(re.compile(r"Cool larder since \d+:\d\d( [AP]M)?\. Cool in"))).to_be_visible()
        expect(page.get_by_text("Add to calendar, from when the timer started")).to_be_visible()
        page.get_by_label("After, min").fill("40")
        page.get_by_role("button", name="Still sticks").click()
        expect(page.get_by_text(re.compile("slower|40 min"))).not_to_have_count(0)
        # in the larder it takes hours, what was shown of the fridge before did not
        heading = page.get_by_role("heading", name=re.compile("Cool in about [2-9] h")).text_content()
        page.get_by_role("button", name="Alert me when it should be cool").click()
        expect(page.get_by_role("button", name=re.compile("Hill-top fudge squares: cool"))).to_be_visible()
        there = self.open("/recipes/3/set", self.new_page(820, 1180))
        expect(there.get_by_text(re.compile("Cool larder since"))).to_be_visible()
        expect(there.get_by_role("heading", name=re.compile("Cool in about"))).to_have_text(str(heading))
        expect(there.get_by_label("Thick, mm")).to_have_value("20")
        self.assertEqual(self.violations(there), [])
        choose(there.get_by_label("Ready to be"), "pipe")
        expect(there.get_by_text(re.compile("Cool larder since"))).to_be_visible()
        expect(there.get_by_role("heading", name=re.compile("Cool in about"))).not_to_have_text(str(heading))
        choose(there.get_by_label("Ready to be"), "cut")
        expect(there.get_by_role("heading", name=re.compile("Cool in about"))).to_have_text(str(heading))
        choose(there.get_by_label("In", exact=True), "freezer")
        expect(there.get_by_text("Preview; your timer continues.")).to_be_visible()
        there.get_by_role("button", name="Back to the running timer").click()
        expect(there.get_by_label("In", exact=True)).to_have_attribute("data-value", "larder")
        self.sent()
        kinds = [event["what"]["kind"] for event in self.events()]
        self.assertEqual(kinds, ["step", "set-start", "set-seen"])
        self.open(f"/daybook/{self.newest()}", there)
        expect(there.get_by_text("Timer started")).to_be_visible()

    def test_a_bowl_takes_longer_and_it_fits_a_phone(self) -> None:
        page = self.new_page(390, 844)
        self.open("/recipes/1/set", page)
        choose(page.get_by_label("Shape"), "bowl")
        expect(page.get_by_role("heading", name=re.compile(r"Cool in about \d h"))).to_be_visible()  # all of it
        page.get_by_label("In the bowl, g").fill("100")
        expect(page.get_by_role("heading", name=re.compile(r"Cool in about (\d\d min|\d h)"))).to_be_visible()
        self.assertLessEqual(page.evaluate("document.documentElement.scrollWidth"), 390)

    def test_an_empty_daybook_teaches(self) -> None:
        for batch in self.server.call("GET", "/api/batches?most=200")[1]["batches"]:
            self.server.call("DELETE", f"/api/batches/{batch['id']}")
        page = self.open("/daybook")
        expect(page.get_by_text("After the first run this page tells how it went")).to_be_visible()
        self.assertEqual(self.violations(), [])
