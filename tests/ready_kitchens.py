"""Kitchens that are ready to be copied: each is made once, before the tests, and copied where one is needed."""

import tempfile
from functools import cache
from pathlib import Path
from typing import Literal

from hearth_bowl.demo.load import load_demo
from hearth_bowl.store.db import Database
from hearth_bowl.store.migrate import migrate

Kitchen = Literal["empty", "demo", "season"]
"""Without anything; with the demo's data; with its batches and its shelf too, as `./hearth demo` starts."""


@cache
def kitchen_file(kitchen: Kitchen) -> bytes:
    """Return the database of a fresh kitchen."""
    with tempfile.TemporaryDirectory() as folder:
        path = Path(folder) / "kitchen.sqlite3"
        if kitchen == "empty":
            migrate(path)
        else:
            path.write_bytes(kitchen_file("empty"))
        database = Database(path)
        if kitchen != "empty":
            load_demo(database, with_season=kitchen == "season")
        database.close()
        return path.read_bytes()


def make_all() -> None:
    """Make each kitchen, so that processes that are forked have them."""
    for kitchen in ("empty", "demo", "season"):
        kitchen_file(kitchen)
