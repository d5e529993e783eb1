"""The stove: how near the calls land on simulated boils, and whether six hours at a reading a second stay smooth."""

import sqlite3
from contextlib import closing
from datetime import UTC, datetime, timedelta
from typing import Final

import psutil
from playwright.sync_api import sync_playwright
from tests.api.server import Server
from tests.browser.page_case import FLAGS, chromium
from tests.devices.boils import FUDGE, Boil

from benchmarks.clock import Row

SIX_HOURS_S: Final = 6 * 3600
AT_ONCE: Final = 4000
WATCHED_S: Final = 20

FRAMES_MS: Final = """
(seconds) => new Promise((done) => {
  const frames = []; let last = performance.now(); const end = last + 1000 * seconds;
  const frame = (now) => {
    frames.push(now - last); last = now;
    document.querySelector("section[aria-label='The run']").scrollTop += frames.length % 60 < 30 ? 4 : -4;
    if (now < end) requestAnimationFrame(frame); else done(frames);
  };
  requestAnimationFrame(frame);
})
"""


def call_rows() -> list[Row]:
    """Boil at three rings, two altitudes, two thermometers; the baseline pulls when the reading is at the target."""
    called, plain, late = [], [], []
    for power_w in (600.0, 1200.0, 2200.0):
        for altitude_m in (0.0, 1500.0):
            for offset_c, dropouts in ((0.0, 0.0), (2.3, 0.1)):
                boil = Boil(FUDGE, power_w, altitude_m, offset_c, dropouts)
                called.append(abs(boil.highest_c - boil.target_c))
                plain.append(abs(Boil(FUDGE, power_w, altitude_m, offset_c, dropouts, by_reading=True).missed_c))
                late.append(boil.called_s - boil.latest_said_before(100))
    return [
        Row(
            name="pull call, farthest from the target",
            value=max(called),
            unit="°C",
            limit=1.0,
            baseline=max(plain),
            baseline_name="pulled at the reading, offset not known",
        ),
        Row(name="call later than its band said 100 s before", value=max(late), unit="s", limit=0),
    ]


def six_hour_rows(server: Server) -> list[Row]:
    """Watch a run of six hours at one reading a second, while it goes on."""
    server.call("POST", "/api/batches", {"recipe_id": 1, "from_step": 1})
    started = datetime.now(UTC) - timedelta(seconds=SIX_HOURS_S)
    with closing(sqlite3.connect(server.database, timeout=10)) as connection, connection:
        connection.execute("UPDATE batch SET started_at = ?", (started.replace(tzinfo=None).isoformat(sep=" "),))
    for start in range(0, SIX_HOURS_S, AT_ONCE):
        rows = [
            {"at": (started + timedelta(seconds=s)).isoformat(), "c": 60 + 20 * ((s // 900) % 2) + (s % 13) / 10}
            for s in range(start, min(start + AT_ONCE, SIX_HOURS_S))
        ]
        server.call("POST", "/api/probes/stand-in/readings", {"readings": rows})
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(
            executable_path=chromium(), args=[*FLAGS, "--enable-precise-memory-info", "--js-flags=--expose-gc"]
        )
        page = browser.new_page(viewport={"width": 1280, "height": 800})
        page.goto(f"{server.url}/recipes/1/stove")
        page.get_by_role("img").wait_for()
        page.wait_for_timeout(3000)
        heap = "() => { gc(); return performance.memory.usedJSHeapSize / 1e6; }"
        before = float(page.evaluate(heap))
        frames = sorted(float(ms) for ms in page.evaluate(FRAMES_MS, WATCHED_S))
        after = float(page.evaluate(heap))
        browser.close()
    assert server.process is not None
    memory_mb = psutil.Process(server.process.pid).memory_info().rss / 1e6
    return [
        Row(
            name="frame of a six-hour trace, 99 of 100",
            value=frames[int(0.99 * len(frames))],
            unit="ms",
            limit=50,
            baseline=frames[len(frames) // 2],
            baseline_name="its median",
        ),
        Row(name=f"page memory gained in {WATCHED_S} s", value=max(0.0, after - before), unit="MB", limit=5),
        Row(name="server memory with six hours watched", value=memory_mb, unit="MB", limit=200),
    ]
