"""Run every benchmark: `python -m benchmarks`. Exits 1 when a bound is not kept."""

import os
import platform
import sys

from tests.api.server import Server

from benchmarks.clock import wake
from benchmarks.core import core_rows
from benchmarks.crowd import crowd_row
from benchmarks.daybook import daybook_rows
from benchmarks.page import page_rows
from benchmarks.plan import plan_rows
from benchmarks.served import memory_row, served_rows, start_row
from benchmarks.stove import call_rows, six_hour_rows


def main() -> int:
    """Measure, print, and say whether all bounds are kept."""
    print(f"{os.cpu_count()} cores, {platform.machine()}, Python {platform.python_version()}")
    wake()
    rows = [*core_rows(), *call_rows(), *plan_rows()]
    server = Server().start()
    try:
        rows += [
            *served_rows(server),
            *page_rows(server),
            memory_row(server),
            crowd_row(server),
            *six_hour_rows(server),
            *daybook_rows(server),
            start_row(server),
        ]
    finally:
        server.stop()
    for row in rows:
        print(row)
    return 0 if all(row.holds for row in rows) else 1


if __name__ == "__main__":
    sys.exit(main())
