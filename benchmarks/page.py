"""The page in Chromium: from a key to the reading that is painted, and what the first load weighs."""

from typing import Final

from playwright.sync_api import Page, sync_playwright
from tests.api.server import Server
from tests.browser.page_case import FLAGS, chromium

from benchmarks.clock import Row, p95

KEYS: Final = 60

WATCHED: Final = """
  const seen = document.querySelector(watched);
  const painted = new Promise((done) => {
    const watch = new MutationObserver(() => {
      watch.disconnect();
      requestAnimationFrame(() => {
        const channel = new MessageChannel();
        channel.port1.onmessage = () => done(performance.now());
        channel.port2.postMessage(null);
      });
    });
    watch.observe(seen, {subtree: true, childList: true, characterData: true, attributes: true});
  });
"""
PAINTED_MS: Final = f"""
async ({{field, watched}}) => {{
  const input = document.querySelector(field);
  {WATCHED}
  input.focus();
  const start = performance.now();
  const key = {{key: "ArrowUp", shiftKey: true, bubbles: true, cancelable: true}};
  input.dispatchEvent(new KeyboardEvent("keydown", key));
  return (await painted) - start;
}}
"""
"""The milliseconds from a key in `field` until a change below `watched` has been painted."""
DRAWN_MS: Final = f"""
async ({{pressed, watched}}) => {{
  {WATCHED}
  const start = performance.now();
  document.querySelector(pressed).click();
  return (await painted) - start;
}}
"""
"""The milliseconds from a press until a change below `watched` has been painted."""


def page_rows(server: Server) -> list[Row]:
    """Time keys on the demo's first recipe; the baseline is the same field repainting its own figure only."""
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=chromium(), args=FLAGS)
        page = browser.new_page(viewport={"width": 1280, "height": 800})
        page.goto(f"{server.url}/recipes/1/formula")
        page.wait_for_load_state("networkidle")
        script_kb = _script_kb(page)
        field = "input[aria-label='Amount of Dark chocolate 64 %']"
        own = p95(_keys(page, field, "ul:has(input[aria-label='Amount of Dark chocolate 64 %'])"))
        reading = p95(_keys(page, field, "section[aria-label='Readings']"))
        drawn = p95(_presses(page, f"{server.url}/confections/3"))
        browser.close()
    return [
        Row(
            name="key to painted reading, p95",
            value=reading,
            unit="ms",
            limit=50,
            baseline=own,
            baseline_name="key to its own figure",
        ),
        Row(name="a part moved until its section is drawn, p95", value=drawn, unit="ms", limit=60),
        Row(name="script of the first load, compressed", value=script_kb, unit="kB", limit=200),
    ]


def _keys(page: Page, field: str, watched: str) -> list[float]:
    found = []
    for _ in range(KEYS):
        found.append(float(page.evaluate(PAINTED_MS, {"field": field, "watched": watched})))
        page.wait_for_timeout(60)
    return found


def _script_kb(page: Page) -> float:
    sizes = page.evaluate(
        "performance.getEntriesByType('resource').filter(e => e.name.endsWith('.js')).map(e => e.encodedBodySize)"
    )
    return float(sum(sizes) / 1000)


def _presses(page: Page, url: str) -> list[float]:
    """Return how long it takes to draw a piece anew whose fillings change places, again and again."""
    page.goto(url)
    page.wait_for_load_state("networkidle")
    found = []
    for number in range(KEYS):
        way = "Later: filling, part 2" if number % 2 == 0 else "Earlier: filling, part 3"
        pressed = f"button[aria-label='{way}']"
        found.append(
            float(page.evaluate(DRAWN_MS, {"pressed": pressed, "watched": "section[aria-label='Cut through']"}))
        )
        page.wait_for_timeout(60)
    return found
