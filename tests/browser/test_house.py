"""The house: a phone in another network is paired and cooks a batch; all others get the pairing page and no more."""

import re
import sys
import tempfile
import unittest
from pathlib import Path
from typing import Any, Final

import trustme
from playwright.sync_api import Browser, BrowserContext, Page, expect

from hearth_bowl.service.pairing import TRIES_OF_ONE
from tests.api.server import Server, free_port
from tests.browser.page_case import FLAGS, PageCase
from tests.browser.phone import HERE, Phone, can_be_made

GUESSES: Final = 1_000
FOREIGN_PAGE: Final = """<!doctype html><title>Elsewhere</title><script>
async function tried(url, options) {
  try { const answer = await fetch(url, options); return answer.type + answer.status; } catch { return "refused"; }
}
</script>"""


@unittest.skipUnless(can_be_made(), "another network is made by root, with ip and nsenter")
class House(PageCase):
    phone: Phone
    afar: Browser

    @classmethod
    def setUpClass(cls) -> None:
        cls.phone = cls.enterClassContext(Phone())
        super().setUpClass()
        cls.afar = cls.playwright.chromium.launch(
            executable_path=cls.phone.browser, args=[*FLAGS, "--ignore-certificate-errors"]
        )
        cls.addClassCleanup(cls.afar.close)

    def setUp(self) -> None:
        self.said = []
        self.server = Server("demo", extra=("--share", "--host", HERE)).start()
        self.addCleanup(self.server.stop)
        self.url = f"http://{HERE}:{self.server.port}"
        self.page = self.new_page()

    def afar_context(self, width: int = 390, height: int = 844, **options: Any) -> BrowserContext:
        context = self.afar.new_context(viewport={"width": width, "height": height}, has_touch=True, **options)
        self.addCleanup(context.close)
        return context

    def pair(self, context: BrowserContext, role: str = "cook", name: str = "Kitchen phone") -> Page:
        made = self.server.call("POST", "/api/pairing/codes", {"role": role})[1]
        self.assertTrue(made["url"].startswith(self.url), made["url"])
        page = context.new_page()
        page.goto(made["url"])
        page.get_by_label("What this device is called").fill(name)
        page.get_by_role("button", name="Pair it").click()
        expect(page.get_by_role("navigation", name="Places")).to_be_visible()
        return page

    def test_the_address_and_the_code_are_said_at_the_start(self) -> None:
        said = self.server.said_until("or by this picture")
        self.assertIn(self.url, said)
        code = re.search(r"code ([2-9A-Z]{5}-[2-9A-Z]{5})", said)
        assert code
        page = self.afar_context().new_page()
        page.goto(self.url)
        expect(page).to_have_url(f"{self.url}/pair")
        page.get_by_label("The code that is shown there").fill(code[1].lower())
        page.get_by_role("button", name="Pair it").tap()
        expect(page.get_by_role("navigation", name="Places")).to_be_visible()

    def test_a_paired_phone_cooks_a_batch(self) -> None:
        page = self.pair(self.afar_context())
        page.goto(f"{self.url}/recipes/1/stove")
        page.get_by_role("button", name="Start cooking").tap()
        expect(page.get_by_role("heading", name=re.compile("step 1 of 8"))).to_be_visible()
        for step in range(2, 9):
            page.get_by_role("button", name=re.compile("next step|Off the heat")).tap()
            expect(page.get_by_role("heading", name=re.compile(f"step {step} of 8"))).to_be_visible()
        page.get_by_role("button", name="Finish batch").tap()
        expect(page.get_by_role("heading", name="How did it turn out?")).to_be_visible()
        page.wait_for_function(
            "() => !Object.keys(localStorage).some((place) => place.startsWith('hearth-bowl-told-'))"
        )
        run = self.server.call("GET", "/api/batches?most=1")[1]["batches"][0]
        self.assertIsNotNone(run["ended_at"])
        events = self.server.call("GET", f"/api/batches/{run['id']}")[1]["events"]
        self.assertEqual([event["what"]["kind"] for event in events].count("step"), 8)
        self.assertEqual(self.violations(page), [])

    def test_strangers_guesses_and_other_pages_are_refused_and_counted(self) -> None:
        paired = self.afar_context()
        page = self.pair(paired)
        before = self.server.call("GET", "/api/recipes")[1]
        stranger = self.afar_context(bypass_csp=True).new_page()  # one who guesses does not ask the page's leave
        stranger.goto(f"{self.url}/recipes")
        expect(stranger.get_by_role("heading", name="Pair this device with the kitchen")).to_be_visible()
        self.assertEqual(self.violations(stranger), [])
        found = stranger.evaluate(
            """async (most) => {
              const counts = {};
              const count = (answer) => (counts[answer.status] = (counts[answer.status] ?? 0) + 1);
              for (let done = 0; done < most; done += 100)
                await Promise.all(Array.from({ length: 100 }, (_, at) => fetch("/pair", {
                  method: "POST",
                  headers: { "Content-Type": "application/x-www-form-urlencoded" },
                  body: new URLSearchParams({ code: `GUESS-${done + at}`, name: "Stranger" }),
                }).then(count)));
              return counts;
            }""",
            GUESSES,
        )
        self.assertEqual(found, {"403": TRIES_OF_ONE, "429": GUESSES - TRIES_OF_ONE})
        self.assertEqual(len(self.server.call("GET", "/api/pairing")[1]["devices"]), 1)
        self.foreign_page(paired)
        self.assertEqual(self.server.call("GET", "/api/recipes")[1], before)
        page.goto(f"{self.url}/recipes")
        (device,) = self.server.call("GET", "/api/pairing")[1]["devices"]
        self.assertEqual(self.server.call("DELETE", f"/api/pairing/devices/{device['id']}")[0], 204)
        paths = ("/api/recipes", "/api/batches", "/assets/bowl.svg", "/worker.js")
        answers = [paired.request.get(self.url + path).status for path in paths]  # with its cookie
        self.assertEqual(answers, [401] * 4)
        expect(page.get_by_role("heading", name="Pair this device with the kitchen")).to_be_visible()  # by itself

    def foreign_page(self, paired: BrowserContext) -> None:
        """A page of the phone's own machine, opened in the browser that is paired."""
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        (Path(folder.name) / "index.html").write_text(FOREIGN_PAGE)
        port = free_port()
        process = self.phone.run(sys.executable, "-m", "http.server", str(port), "--directory", folder.name)
        self.addCleanup(process.wait)
        self.addCleanup(process.kill)
        foreign = paired.new_page()
        for _ in range(100):
            try:
                foreign.goto(f"http://127.0.0.1:{port}/")
                break
            except Exception:
                foreign.wait_for_timeout(50)
        tried = foreign.evaluate(
            """async (url) => Promise.all([
              tried(`${url}/api/recipes`, { credentials: "include" }),
              tried(`${url}/api/recipes`, { credentials: "include", mode: "no-cors" }),
              tried(`${url}/api/recipes/1`, { method: "DELETE", credentials: "include" }),
              tried(`${url}/api/recipes`, { method: "POST", credentials: "include", mode: "no-cors", body: "{}" }),
            ])""",
            self.url,
        )
        self.assertEqual(tried, ["refused"] * 4)

    def test_a_helper_sees_and_ticks_and_changes_no_recipe(self) -> None:
        page = self.pair(self.afar_context(820, 1180), "helper", "Helper's tablet")
        expect(page.get_by_text("This device can view and tick off, not edit.")).to_be_visible()
        page.goto(f"{self.url}/recipes/1/formula")
        page.get_by_label("Amount of Dark chocolate 64 %", exact=True).fill("500")
        page.keyboard.press("Enter")
        expect(page.get_by_role("status")).to_contain_text("Not saved: This device can view")
        page.goto(f"{self.url}/pairing")
        expect(page.get_by_role("heading", name=re.compile("paired as .Helper's tablet., to help"))).to_be_visible()
        self.assertEqual(self.violations(page), [])

    def test_by_https_the_pages_stay_on_the_tablet(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        certificate = Path(folder.name) / "own.pem"
        trustme.CA().issue_cert(HERE).private_key_and_cert_chain_pem.write_to_path(str(certificate))
        self.server.stop()
        self.server = Server("demo", extra=("--share", "--host", HERE, "--certificate", str(certificate))).start()
        self.addCleanup(self.server.stop)
        self.url = f"https://{HERE}:{self.server.port}"
        context = self.afar_context(820, 1180)
        page = self.pair(context)
        (cookie,) = context.cookies()
        self.assertEqual((cookie["secure"], cookie["httpOnly"], cookie["sameSite"]), (True, True, "Strict"))
        page.goto(f"{self.url}/recipes")
        expect(page.get_by_role("link", name=re.compile("Night-sky truffles")).first).to_be_visible()
        page.wait_for_load_state("networkidle")
        page.wait_for_function("() => navigator.serviceWorker.controller?.state === 'activated'")
        self.server.kill()
        page.reload()
        expect(page.get_by_role("link", name=re.compile("Night-sky truffles")).first).to_be_visible()
        expect(page.get_by_text("Hearth Bowl is not answering.")).to_be_visible()

    def test_the_door_is_opened_a_device_let_in_and_let_go_on_the_page(self) -> None:
        page = self.open("/pairing")
        page.get_by_role("button", name="Turn off network access").click()
        expect(page.get_by_role("heading", name=re.compile("Only this computer can connect"))).to_be_visible()
        with self.assertRaisesRegex(Exception, "ERR_CONNECTION_REFUSED"):
            self.afar_context().new_page().goto(self.url)
        page.get_by_role("button", name="Allow devices at home").click()
        page.get_by_role("button", name="What it may do: cooks").click()
        page.get_by_role("option", name=re.compile("^helps")).click()
        page.get_by_role("button", name="Show code").click()
        code = page.get_by_text(re.compile(r"^[2-9A-Z]{5}-[2-9A-Z]{5}$")).inner_text()
        self.assertEqual(self.violations(), [])
        phone = self.afar_context().new_page()
        phone.goto(f"{self.url}/pair?code={code}")
        phone.get_by_label("What this device is called").fill("Garden phone")
        phone.keyboard.press("Enter")
        expect(page.get_by_text("“Garden phone” is paired.")).to_be_visible()
        page.get_by_role("button", name="Remove device").click()
        page.get_by_role("dialog").get_by_role("button", name="Remove ").click()
        expect(page.get_by_text("No device yet.")).to_be_visible()
        expect(phone.get_by_role("heading", name="Pair this device with the kitchen")).to_be_visible()


if __name__ == "__main__":
    unittest.main()
