"""The order of the demo's open evening, as the planner gives it: `python -m tests.demo_order` keeps it anew."""

import json
from pathlib import Path
from tempfile import TemporaryDirectory
from typing import Any

from hearth_bowl.demo import load
from hearth_bowl.demo.occasion import WISHES
from hearth_bowl.service import running_order
from hearth_bowl.service.planner import plan_record
from hearth_bowl.store.db import Database
from hearth_bowl.store.migrate import migrate


def planned() -> tuple[dict[str, Any], dict[str, Any]]:
    """Return the open evening as a file, planned from its beginning, and its order."""
    with TemporaryDirectory() as folder:
        path = Path(folder) / "demo.db"
        migrate(path)
        database = Database(path)
        load.load_demo(database)
        with database.reading() as session:
            asked = running_order.get_occasion(session, 1).asked
            begins_at = WISHES.begins_at
            assert begins_at is not None
            record = running_order.occasion_record(session, asked, begins_at)
        database.close()
    return record, dict(plan_record(record, 1.0, most_s=600))


if __name__ == "__main__":
    load.ORDER.write_text(json.dumps(planned()[1], indent=1, sort_keys=True, ensure_ascii=False) + "\n")
