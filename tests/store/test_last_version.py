"""A file of the version before opens after the migrations with everything in it unchanged."""

import json
import shutil
import sqlite3
import tempfile
import unittest
from contextlib import closing
from pathlib import Path
from typing import Any

from hearth_bowl.app import create_app
from hearth_bowl.server import FILE, open_data

OLD = Path(__file__).parent / "version_0005"
KEPT: dict[str, Any] = json.loads((OLD / "expected.json").read_text("utf-8"))
"""What the version before answered of that very file."""


RECKONED_C = 0.1
"""That version kept no temperatures of steps: they are reckoned, and the end of a boil is a water content since."""


class LastVersion(unittest.TestCase):
    def setUp(self) -> None:
        folder = Path(tempfile.mkdtemp())
        self.addCleanup(shutil.rmtree, folder)
        with closing(sqlite3.connect(folder / FILE)) as old:
            old.executescript((OLD / "data.sql").read_text("utf-8"))
        self.database = open_data(folder, demo=False)
        self.addCleanup(self.database.close)
        self.client = create_app(self.database, folder).test_client()

    def get(self, path: str) -> Any:
        answer = self.client.get(f"/api/{path}")
        self.assertEqual(answer.status_code, 200, answer.text)
        return answer.get_json()

    def holds(self, old: Any, new: Any, where: str) -> None:
        """Check that all that was said is still said; what was said to be None may be left out."""
        if isinstance(old, dict):
            for name, value in old.items():
                if value is not None:
                    self.holds(value, new[name], f"{where}.{name}")
        elif isinstance(old, list):
            self.assertEqual(len(old), len(new), where)
            for position, (before, after) in enumerate(zip(old, new, strict=True)):
                self.holds(before, after, f"{where}[{position}]")
        elif ".steps[" in where and isinstance(new, dict):
            self.assertEqual(old, new["text"], where)  # a step's words are kept; what they tell is read from them
        elif "target_c[" in where or "ceiling_c" in where:
            self.assertAlmostEqual(old, new, delta=RECKONED_C, msg=where)
        elif isinstance(old, float):
            self.assertAlmostEqual(old, new, delta=1e-11 * max(1.0, abs(old)), msg=where)
        else:
            self.assertEqual(old, new, where)

    def test_recipes_and_their_versions(self) -> None:
        for number, recipe in KEPT["recipes"].items():
            self.holds(recipe, self.get(f"recipes/{number}"), number)
            self.holds(KEPT["versions"][number], self.get(f"recipes/{number}/versions")["versions"], number)

    def test_each_fit_is_a_confection_too_and_makes_what_it_made(self) -> None:
        kept = sum(fit["ask"] is not None for fit in KEPT["fits"].values())
        found = {row["asked"]["name"]: row["asked"] for row in self.get("confections")["confections"][:kept]}
        self.assertEqual(len(found), kept)
        for asked in found.values():
            said = {name: value for name, value in asked.items() if value is not None}
            worked = self.client.post("/api/confections/work-out", json=said)
            self.assertEqual(worked.status_code, 200, worked.text)
        rolled = next(row for row in found.values() if [part["role"] for part in row["parts"]].count("core"))
        roles = [part["role"] for part in rolled["parts"]]
        self.assertEqual(roles, ["centre", "core", "coat", "rolling"])
        piece = self.client.post("/api/confections/work-out", json=rolled).get_json()["answer"]
        self.assertAlmostEqual(piece["parts"][0]["each_g"] + piece["parts"][1]["each_g"], 12)
        slab = next(row for row in found.values() if row["parts"][0]["role"] == "layer")
        self.assertEqual([part["mm"] for part in slab["parts"]], [9.0, None])
        moulded = next(row for row in found.values() if row["parts"][0]["role"] == "shell")
        self.assertEqual((moulded["form"]["pieces"], moulded["form"]["spares"]), (48, 2))
        self.assertEqual(moulded["parts"][0]["wall_mm"], 1.8)

    def test_fits_and_boxes(self) -> None:
        for number, fit in KEPT["fits"].items():
            new = self.get(f"recipes/{number}/fit")
            self.holds({"vessel_id": fit["vessel_id"], "ask": fit["ask"]}, new, number)
        laid = [fit[part] for fit in KEPT["fits"].values() for part in ("layers", "fillings") if fit[part]]
        self.assertEqual(len(laid), 2)
        parts = [row["asked"]["parts"] for row in self.get("confections")["confections"]]
        for rows in laid:
            wanted = [_said(row) for row in rows]
            held = [[_part(part) for part in one if part["of"]["recipe_id"] is not None] for one in parts]
            self.assertEqual(held.count(wanted), 1, "several recipes in one vessel are one confection, made once")
        for before, after in zip(KEPT["assortments"], self.get("occasions")["occasions"], strict=True):
            rows = [{**row, "recipe_id": None, "vessel_id": None, "ask": None} for row in before["asked"]["rows"]]
            self.holds({**before, "asked": {**before["asked"], "rows": rows}}, after, "occasions")
            for row, piece in zip(before["asked"]["rows"], after["asked"]["rows"], strict=True):
                form, parts = self.confection(piece["confection_id"])
                self.assertEqual(form["vessel"], row["vessel_id"])
                self.assertIn(row["recipe_id"], [part["of"]["recipe_id"] for part in parts])
                shell = row["ask"].get("shell", "none")
                self.assertEqual(shell != "none", any(part["of"]["ingredient"] == shell for part in parts))
                self.assertEqual(form["halves"], bool(row["ask"].get("halves")))
            plan = self.client.post("/api/occasions/work-out", json=after["asked"])
            self.assertEqual(plan.status_code, 200, plan.text)
        self.holds(KEPT["vessels"], self.get("vessels")["vessels"], "vessels")

    def confection(self, confection_id: int) -> tuple[dict[str, Any], list[dict[str, Any]]]:
        asked = self.get(f"confections/{confection_id}")["asked"]
        return asked["form"], asked["parts"]

    def test_batches_with_all_that_happened(self) -> None:
        for number, batch in KEPT["batches"].items():
            new = self.get(f"batches/{number}")
            happened = batch.pop("events")
            trace = batch.pop("trace", None)
            self.holds(batch, new, number)
            self.assertEqual(len(happened), len(new["events"]))
            for old, event in zip(happened, new["events"], strict=True):
                self.assertEqual((old["client_key"], old["at"]), (event["client_key"], event["at"]))
                self.assertTrue(event["what"]["kind"].startswith(old["kind"]))
                self.holds(old["data"], event["what"], f"{number}.{old['client_key']}")
            if trace is not None:
                self.holds(trace, self.get(f"batches/{number}/trace"), number)

    def test_settings_larder_and_clocks(self) -> None:
        self.holds(KEPT["settings"], self.get("settings"), "settings")
        self.holds(KEPT["larder"], self.get("larder")["items"], "larder")
        clocks = {timer["key"]: timer for timer in self.get("timers")["timers"]}
        for timer in KEPT["timers"]:
            self.holds({**timer, "left_s": None}, clocks[timer["key"]], timer["key"])

    def test_a_batch_of_before_does_not_change_with_the_settings(self) -> None:
        before = {number: self.get(f"batches/{number}") for number in KEPT["batches"]}
        changed = {**self.get("settings"), "altitude_m": 2000.0, "thermometer_in_boiling_water_c": 92.0}
        self.assertEqual(self.client.put("/api/settings", json=changed).status_code, 200)
        self.assertEqual(before, {number: self.get(f"batches/{number}") for number in KEPT["batches"]})


def _said(row: dict[str, Any]) -> tuple[Any, ...]:
    """Return of which recipe a layer or filling of then was, how thick [mm] or how much [ml]."""
    return row["recipe_id"], row["thickness_mm"] or row["mm"], row["ml"]


def _part(part: dict[str, Any]) -> tuple[Any, ...]:
    return part["of"]["recipe_id"], part["mm"], part["ml_each"]
