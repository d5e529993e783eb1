"""Offline: a run is finished with the server gone, on two devices; a new build comes whole or not at all."""

import re
import shutil
import tempfile
from pathlib import Path

from playwright.sync_api import Page, expect

from hearth_bowl.paths import WEB
from tests.api.server import ThreadServer
from tests.browser.test_stove import KitchenPage

NEW = "newbuild"
"""A word in the names of the new build's scripts."""


class Offline(KitchenPage):
    expected = (*KitchenPage.expected, "status of 404")  # a script of the build that is gone

    def kept_page(self, width: int = 1280, height: int = 800) -> Page:
        """A page whose browser keeps the pages."""
        return self.new_page(width, height, service_workers="allow")

    def kept(self, page: Page) -> None:
        """Wait until the browser has the pages, whole."""
        page.wait_for_function("() => navigator.serviceWorker.controller?.state === 'activated'")

    def test_a_run_is_finished_with_the_server_gone_and_is_whole_afterwards_on_two_devices(self) -> None:
        page, tablet = self.kept_page(), self.kept_page(820, 1180)
        self.open("/recipes/1/stove", page)
        self.kept(page)
        page.get_by_role("button", name="Start cooking").click()
        page.get_by_role("button", name="Done, next step").click()
        expect(page.get_by_role("heading", name=re.compile("step 2 of 8"))).to_be_visible()
        self.open("/recipes/1/stove", tablet)
        self.kept(tablet)
        expect(tablet.get_by_role("heading", name=re.compile("step 2 of 8"))).to_be_visible()
        self.sent(page)
        batch = self.newest()
        self.server.kill()
        for one in (page, tablet):
            one.reload()
            expect(one.get_by_role("heading", name=re.compile("step 2 of 8"))).to_be_visible()
            expect(one.get_by_text("Hearth Bowl is not answering. Showing data from")).to_be_visible()
            expect(one.get_by_text(re.compile(r"^(?!0:00)\d+:\d\d since it began"))).to_be_visible()
        self.assertEqual(self.violations(page), [])
        tablet.get_by_role("button", name="Mark", exact=True).click()
        tablet.get_by_role("button", name="dissolved").click()
        tablet.get_by_role("button", name="Start a timer").click()
        tablet.get_by_label("For what").fill("Shells chill")
        tablet.get_by_label("Minutes").fill("12")
        tablet.get_by_role("button", name="Start timer").click()
        second = page.context.new_page()  # another tab of the first device
        second.goto(f"{self.server.url}/recipes/1/stove")
        second.get_by_role("button", name="Small bubbles where cream meets the pan").click()
        expect(page.get_by_role("button", name="Small bubbles where cream meets the pan")).to_have_attribute(
            "aria-pressed", "true"
        )
        page.get_by_role("button", name="One degree more").click()
        page.get_by_role("button", name="Use this reading").click()
        for step in range(3, 9):
            page.get_by_role("button", name=re.compile("next step|Off the heat")).click()
            expect(page.get_by_role("heading", name=re.compile(f"step {step} of 8"))).to_be_visible()
        page.reload()
        expect(page.get_by_role("heading", name=re.compile("step 8 of 8"))).to_be_visible()
        page.get_by_role("button", name="Finish batch").click()
        self.server.start()
        for one in (page, tablet, second):
            self.sent(one)
            expect(one.get_by_text("is not answering")).to_have_count(0)
        events = self.events(batch)
        kinds = [event["what"]["kind"] for event in events]
        self.assertEqual([kinds.count(kind) for kind in ("mark", "end")], [1, 1])
        gates = [(event["what"]["key"], event["what"]["answer"]) for event in events if event["what"]["kind"] == "gate"]
        self.assertEqual(sorted(answer for _, answer in gates), ["skipped", "skipped", "yes"])
        self.assertEqual(len(set(gates)), 3)
        self.assertEqual([event["what"]["step"] for event in events if event["what"]["kind"] == "step"], [*range(8)])
        self.assertEqual(len({event["client_key"] for event in events}), len(events))
        run = self.server.call("GET", f"/api/batches/{batch}")[1]
        self.assertIsNotNone(run["batch"]["ended_at"])
        timers = self.server.call("GET", "/api/timers")[1]["timers"]
        self.assertEqual([timer["name"] for timer in timers].count("Shells chill"), 1)
        expect(tablet.get_by_role("button", name="Start cooking")).to_be_visible()

    def test_pages_that_were_seen_open_without_the_server_and_say_of_when_they_are(self) -> None:
        page = self.kept_page()
        for place in ("/", "/recipes", "/recipes/1/formula", "/larder", "/occasions/1/order", "/daybook"):
            self.open(place, page)
            page.wait_for_load_state("networkidle")
        self.kept(page)
        self.server.kill()
        for place in ("/recipes/1/formula", "/recipes", "/larder", "/occasions/1/order", "/daybook", "/"):
            with self.subTest(place=place):
                self.open(place, page)
                expect(page.get_by_text("Hearth Bowl is not answering. Showing data from")).to_be_visible()
        page.goto(f"{self.server.url}/confections/1")
        expect(page.get_by_role("heading", name="The confection could not be read")).to_be_visible()
        self.server.start()
        expect(page.get_by_text("Hearth Bowl is not answering.")).to_have_count(0)
        expect(page.get_by_role("heading", level=1)).to_be_visible()

    def test_what_was_done_in_one_kitchen_is_not_told_to_another_at_the_same_address(self) -> None:
        page = self.kept_page()
        self.open("/recipes/1/stove", page)
        self.kept(page)
        page.get_by_role("button", name="Start cooking").click()
        page.get_by_role("button", name="Done, next step").click()
        expect(page.get_by_role("heading", name=re.compile("step 2 of 8"))).to_be_visible()
        self.sent(page)
        batch = self.newest()
        self.server.kill()
        page.get_by_role("button", name="Mark", exact=True).click()
        page.get_by_role("button", name="dissolved").click()
        other = ThreadServer()
        self.addCleanup(other.stop)
        other.port, other.url = self.server.port, self.server.url
        other.start()
        started = other.call("POST", "/api/batches", {"recipe_id": 1, "choices": {}})[1]["batch"]["id"]
        self.assertEqual(started, batch)  # the same number, of another run
        expect(page.get_by_role("heading", name=re.compile("step 1 of 8"))).to_be_visible()  # it is noticed by itself
        page.get_by_role("button", name="Done, next step").click()
        self.sent_all_but(page, 1)
        kinds = [event["what"]["kind"] for event in other.call("GET", f"/api/batches/{batch}")[1]["events"]]
        self.assertEqual(kinds, ["step", "step"])
        other.kill()
        self.server.start()
        page.reload()
        self.sent(page)
        kinds = [event["what"]["kind"] for event in self.events(batch)]
        self.assertEqual(kinds, ["step", "step", "mark"])

    def sent_all_but(self, page: Page, left: int) -> None:
        page.wait_for_function(
            """(left) => left ===
              Object.keys(localStorage).filter((place) => place.startsWith('hearth-bowl-told-')).length""",
            arg=left,
        )

    def renewed(self) -> Path:
        """Another build of the pages: each script has another name, in each mention too, and the old ones are gone."""
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        web = Path(folder.name) / "dist"
        shutil.copytree(WEB, web, ignore=shutil.ignore_patterns("*.gz", "*.br"))
        build = re.search(r'name="build" content="(\w+)"', (web / "index.html").read_text())
        assert build
        scripts = list(web.glob("assets/*.js"))
        for file in (web / "index.html", web / "worker.js", *scripts):
            text = file.read_text().replace(build[1], NEW).replace("revision:`", "revision:`2")
            for script in scripts:
                text = text.replace(script.name, script.name.replace(".js", f"-{NEW}.js"))
            file.write_text(text)
        for script in scripts:
            script.rename(script.with_name(script.name.replace(".js", f"-{NEW}.js")))
        return web

    def main_script(self, page: Page) -> str:
        found: str = page.evaluate("() => document.querySelector('script[type=module]').src")
        return found

    def test_new_pages_come_whole_and_nothing_typed_is_lost(self) -> None:
        for workers in ("allow", "block"):
            with self.subTest(workers=workers):
                self.server.web = WEB
                self.server.kill()
                self.server.start()
                page = self.new_page(service_workers=workers)
                self.open("/recipes/1/formula", page)
                if workers == "allow":
                    self.kept(page)
                second = page.context.new_page()
                self.open("/recipes", second)
                self.server.kill()
                self.server.web = self.renewed()
                self.server.start()
                weight = "431 g" if workers == "allow" else "432 g"
                self.amount("Dark chocolate 64 %", page).fill(weight)
                page.keyboard.press("Enter")
                expect(page.get_by_text("A new version of Hearth Bowl is ready.")).to_be_visible()
                self.assertNotIn(NEW, self.main_script(page))
                page.get_by_role("link", name="Shelf").click()
                page.wait_for_function("(word) => document.querySelector('script[src*=' + word + ']')", arg=NEW)
                expect(page.get_by_role("heading", level=1)).to_be_visible()
                self.assertEqual(self.stored_amount(1, 2), float(weight.split()[0]))
                second.get_by_role("link", name="Larder").click()
                second.wait_for_function("(word) => document.querySelector('script[src*=' + word + ']')", arg=NEW)
                expect(second.get_by_role("heading", level=1)).to_be_visible()
                for one in (page, second):
                    expect(one.get_by_text("A new version of Hearth Bowl is ready")).to_have_count(0)
                page.context.close()
