"""`backup FILE` and `restore FILE`: one JSON object out; what is wrong is one on standard error, and exit 2."""

import argparse
import json
import sys
from collections.abc import Sequence
from dataclasses import asdict
from datetime import UTC, datetime
from pathlib import Path
from typing import Final

from hearth_bowl.paths import DEMO_DATA, own_data
from hearth_bowl.server import FILE
from hearth_bowl.service.backups import backup_to
from hearth_bowl.store.backup import Damaged
from hearth_bowl.store.backup_read import BadBackup
from hearth_bowl.store.db import Database
from hearth_bowl.store.held import InUse, held
from hearth_bowl.store.restore import finish, lay_beside, take_place

BAD_INPUT_EXIT: Final = 2


def main(verb: str, arguments: Sequence[str]) -> int:
    """Back a kitchen up, also while it is used, or put a backup back; return the exit code."""
    parser = argparse.ArgumentParser(prog=f"hearth {verb}", allow_abbrev=False)
    parser.add_argument("file", type=Path, help="the backup's file")
    parser.add_argument("--data", type=Path, default=None, help="the folder that holds the data")
    parser.add_argument("--demo", action="store_true", help="the demo's data, not your own")
    options = parser.parse_args(arguments)
    folder = options.data or (DEMO_DATA if options.demo else own_data())
    try:
        told = _back_up(folder, options.file) if verb == "backup" else _restore(folder, options.file)
    except (BadBackup, Damaged, InUse, OSError) as problem:
        stands = f" The kitchen in {folder} stands as it was." if verb == "restore" else ""
        error = {
            "field": "file",
            "message": f"{problem}{stands}",
            "allowed": "a backup, and a folder that can be written",
        }
        print(json.dumps({"error": error}), file=sys.stderr)
        return BAD_INPUT_EXIT
    print(json.dumps(told))
    return 0


def _back_up(folder: Path, out: Path) -> dict[str, object]:
    if not (folder / FILE).is_file():
        raise BadBackup(f"There is no kitchen in {folder}.")
    database = Database(folder / FILE)
    try:
        return {"file": str(out), **asdict(backup_to(database, out, datetime.now(UTC)))}
    finally:
        database.close()


def _restore(folder: Path, file: Path) -> dict[str, object]:
    folder.mkdir(parents=True, exist_ok=True)
    with held(folder, f"A backup being restored in {folder}"):
        finish(folder)
        told = lay_beside(file, folder)
        aside = take_place(folder, FILE, datetime.now(UTC))
    return {**asdict(told), "folder": str(folder), "kept_aside": None if aside is None else str(aside)}
