"""The running order over the API: planned, followed, planned again round what happened, and as a calendar."""

import json
import subprocess
import sys
import unittest
from datetime import UTC, datetime, timedelta
from typing import Any
from unittest.mock import patch

from hearth_bowl.demo.load import ORDER
from hearth_bowl.demo.today import move_to_tomorrow
from hearth_bowl.service.run_day import day_of
from hearth_bowl.service.running_order import get_order
from tests.api.app_case import AppCase
from tests.core.plan.occasions import wrongs
from tests.demo_order import planned


class Followed(AppCase):
    demo = True
    season = True

    def order(self) -> dict[str, Any]:
        found: dict[str, Any] = self.client.get("/api/occasions/1/order").get_json()
        return found

    def happened(self, task: str, what: str, at: str | None = None) -> dict[str, Any]:
        body = {"task": task, "what": what, "at": at}
        answer = self.client.post("/api/occasions/1/order/happened", json=body)
        self.assertEqual(answer.status_code, 200, answer.text)
        found: dict[str, Any] = answer.get_json()
        return found

    def test_the_demo_is_half_done_and_says_what_to_do_now(self) -> None:
        order = self.order()
        states = {one["task"]["id"]: one["state"] for one in order["tasks"]}
        self.assertEqual((states["c0.cap.2"], states["c5.roll"], states["pack"]), ("done", "running", "ahead"))
        self.assertEqual(order["now_tasks"], ["c5.roll"])
        self.assertEqual(order["next_task"], "temper.milk38.turn.2")

    def test_what_is_done_lets_its_rest_begin_and_the_next_be_due(self) -> None:
        order = self.happened("c5.roll", "done")
        states = {one["task"]["id"]: one["state"] for one in order["tasks"]}
        self.assertEqual((states["c5.roll"], states["c5.set.balls"]), ("done", "running"))
        self.assertIn("c5.set.balls", order["waits"])
        self.assertEqual((order["now_tasks"], order["next_task"]), ([], "temper.milk38.turn.2"))
        order = self.happened("c5.roll", "undone")
        self.assertEqual({one["task"]["id"]: one["state"] for one in order["tasks"]}["c5.roll"], "ahead")

    def test_late_the_rest_is_planned_again_around_what_happened(self) -> None:
        self.happened("c5.roll", "done", "2026-08-13T12:55:00")
        answer = self.client.post("/api/occasions/1/order", json={}).get_json()
        self.assertTrue(answer["answer"]["feasible"], answer["answer"])
        tasks = {one["task"]["id"]: one["task"] for one in answer["tasks"]}
        self.assertEqual(tasks["c5.roll"]["ends_at"], "2026-08-13T12:55")
        self.assertLessEqual("2026-08-13T12:55", tasks["temper.milk38.turn.2"]["starts_at"])
        self.assertEqual(tasks["c0.cap.2"]["starts_at"], "2026-08-11T18:55")
        ahead = [one for one in answer["tasks"] if one["state"] == "ahead"]
        self.assertLessEqual(sum(one["task"]["moved"] for one in ahead), len(ahead) / 2)

    def test_what_changes_what_it_was_planned_for_makes_it_stale_until_it_is_planned_again(self) -> None:
        self.assertFalse(self.order()["is_stale"])
        row = self.client.get("/api/occasions").get_json()["occasions"][0]
        self.wish_as({**row["asked"], "boxes": row["asked"]["boxes"] + 1})
        self.assertTrue(self.order()["is_stale"])
        self.assertFalse(self.client.post("/api/occasions/1/order", json={}).get_json()["is_stale"])

    def test_the_demos_evening_is_tomorrow_until_somebody_works_at_it(self) -> None:
        now = datetime(2031, 5, 6, 12, 30)
        self.assertTrue(move_to_tomorrow(self.database, now))
        self.assertFalse(move_to_tomorrow(self.database, now))
        with self.database.reading() as session:
            order = get_order(session, 1, now)
        self.assertEqual((order.answer and order.answer["ready_at"], order.is_stale), ("2031-05-07T19:30", False))
        self.assertEqual(order.now_tasks, ("c5.roll",))
        self.happened("c5.roll", "done", "2031-05-06T12:47:00")
        self.assertFalse(move_to_tomorrow(self.database, now + timedelta(days=3)))

    def test_a_run_for_an_evening_is_made_in_its_number_and_begins_where_its_order_stands(self) -> None:
        now = datetime.now().replace(hour=12, minute=30)
        move_to_tomorrow(self.database, now)
        drops = next(one for one in self.order()["tasks"] if one["task"]["id"] == "c2.roll")
        body = {"recipe_id": 1, "confection_id": drops["confection_id"], "occasion_id": 1}
        plan = self.client.post("/api/batches/plan", json=body).get_json()
        self.assertEqual([(one["id"], one["pieces"]) for one in plan["occasions"]], [(1, 43)])
        run = self.client.post("/api/batches", json=body).get_json()
        own = self.client.post("/api/batches", json={**body, "occasion_id": None}).get_json()
        self.assertNotAlmostEqual(sum(run["amounts_g"]), sum(own["amounts_g"]), delta=10)
        self.assertEqual(run["occasion_id"], 1)
        done = {act for one in self.order()["tasks"] if one["state"] == "done" for act in one["task"]["acts"]}
        steps = [f"c2.{step['act_id']}" for step in run["steps"]]
        self.assertEqual(steps[run["batch"]["step"]], next(act for act in steps if act not in done))
        other = self.client.post("/api/batches", json={**body, "confection_id": 3, "recipe_id": 2})
        self.assertEqual((other.status_code, other.get_json()["errors"][0]["path"]), (422, ["body", "occasion_id"]))

    def test_a_day_at_the_stove_has_the_tasks_of_every_confection_and_where_each_opens(self) -> None:
        now = datetime.now().replace(hour=12, minute=30)
        move_to_tomorrow(self.database, now)
        body = {"recipe_id": 1, "confection_id": 11, "occasion_id": 1}
        run = self.client.post("/api/batches", json=body).get_json()["batch"]["id"]
        with self.database.writing() as session:
            day = day_of(session, run, now)
            later = day_of(session, run, now + timedelta(days=3))
        assert day is not None
        self.assertIsNone(later)
        self.assertGreater(len({task.confection_id for task in day.tasks}), 2)
        self.assertEqual([task.starts_at for task in day.tasks], sorted(task.starts_at for task in day.tasks))
        dip = next(task for task in day.tasks if task.id == "c2.dip")
        step = self.client.get(f"/api/batches/{run}").get_json()["steps"][dip.step or 0]
        self.assertEqual((dip.batch_id, step["act_id"], dip.key), (run, dip.acts[0], step["key"]))
        cones = next(task for task in day.tasks if task.id == "c0.unmould.3")
        self.assertEqual((cones.recipe_id, cones.batch_id, cones.state), (6, None, "ahead"))

    def squares_at_the_stove(self) -> tuple[list[dict[str, Any]], dict[str, Any], dict[str, Any]]:
        """Return the tasks of the squares in an order of four days, the one that makes their mix, and a run of them."""
        self.client.delete("/api/occasions/1/order")
        ready = (datetime.now() + timedelta(days=4)).replace(hour=19, minute=30, second=0, microsecond=0)
        self.wish(ready_at=ready.isoformat())
        order = self.client.post("/api/occasions/1/order", json={}).get_json()
        squares = [one for one in order["tasks"] if one["task"]["for"] == [3] and one["task"]["acts"]]
        mass = next(one for one in squares if one["recipe_id"] is not None)
        body = {"recipe_id": mass["recipe_id"], "confection_id": mass["confection_id"], "choices": {}}
        return squares, mass, self.client.post("/api/batches", json=body).get_json()

    def wish(self, **part: Any) -> None:
        row = self.client.get("/api/occasions").get_json()["occasions"][0]
        wishes = {**row["asked"]["wishes"], "begins_at": None, "away": []}
        self.wish_as({**row["asked"], "wishes": wishes, **part})

    def test_a_run_at_the_stove_reports_by_itself(self) -> None:
        self.client.delete("/api/occasions/1/order")
        ready = (datetime.now() + timedelta(days=4)).replace(hour=19, minute=30, second=0, microsecond=0)
        self.wish(ready_at=ready.isoformat())
        order = self.client.post("/api/occasions/1/order", json={}).get_json()
        mass = next(one for one in order["tasks"] if one["recipe_id"] is not None)
        self.assertEqual(mass["state"], "ahead")
        self.client.post("/api/batches", json={"recipe_id": mass["recipe_id"], "choices": {}})
        after = {one["task"]["id"]: one for one in self.order()["tasks"]}
        self.assertEqual(after[mass["task"]["id"]]["state"], "running")

    def test_each_act_done_at_the_stove_is_done_in_the_order_and_the_rest_stays_ahead(self) -> None:
        squares, _, run = self.squares_at_the_stove()
        keys = [step["key"] for step in run["steps"]]
        for step in range(1, keys.index("set") + 1):
            event = {"kind": "step", "step": step, "key": keys[step]}
            self.told(run, event, key=f"s{step}")
        states = {one["task"]["id"]: one["state"] for one in self.order()["tasks"] if one["task"]["for"] == [3]}
        self.assertEqual([states[one["task"]["id"]] for one in squares], ["done", "done", "running", "ahead"])
        for step in range(keys.index("set") + 1, len(keys)):
            self.told(run, {"kind": "step", "step": step, "key": keys[step]}, key=f"s{step}")
        self.told(run, {"kind": "end"})
        states = {one["task"]["id"]: one["state"] for one in self.order()["tasks"] if one["task"]["for"] == [3]}
        self.assertEqual({states[one["task"]["id"]] for one in squares}, {"done"})

    def test_what_is_ticked_in_the_order_is_done_at_the_stove(self) -> None:
        _, mass, run = self.squares_at_the_stove()
        self.happened(mass["task"]["id"], "done")
        found = self.client.get(f"/api/batches/{run['batch']['id']}").get_json()
        acts = [f"c3.{step['act_id']}" for step in found["steps"]]
        self.assertNotIn(acts[found["batch"]["step"]], mass["task"]["acts"])
        self.assertIn(acts[found["batch"]["step"] - 1], mass["task"]["acts"])

    def test_what_a_task_of_the_order_took_is_learned_ignored_and_forgotten_with_it(self) -> None:
        def timed() -> list[dict[str, Any]]:
            learned = self.client.get("/api/learned").get_json()["learned"]
            seen = [one for thing in learned for one in thing["entries_from"]]
            return [one for one in seen if one["occasion_id"] == 1]

        task = next(one for one in self.order()["tasks"] if one["task"]["id"] == "c5.roll")
        self.assertEqual((task["state"], timed()), ("running", []))
        learned = self.client.get("/api/learned").get_json()["learned"]
        value = next(one["value"] for one in learned if one["what"] == "hands:roll")
        began = datetime.fromisoformat(task["began_at"])
        self.happened("c5.roll", "done", (began + timedelta(minutes=90)).isoformat())
        (one,) = timed()
        planned = datetime.fromisoformat(task["task"]["ends_at"]) - datetime.fromisoformat(task["task"]["starts_at"])
        self.assertEqual((one["observed"], one["name"], one["batch_id"]), (90.0, "Open evening", None))
        self.assertAlmostEqual(one["predicted"], (planned.total_seconds() / 60 - 2.5) / value, delta=0.2)
        ignore = f"/api/learned/tasks/{one['timed_id']}/teaches"
        self.assertEqual(self.client.put(ignore, json={"teaches": False}).status_code, 204)
        self.assertEqual([one["counts"] for one in timed()], [False])
        self.happened("c5.roll", "undone")
        self.assertEqual(timed(), [])
        self.assertEqual(self.client.put(ignore, json={"teaches": True}).status_code, 404)
        self.happened("c0.cap.3", "done")  # only ticked: nobody knows when it was begun
        self.assertEqual(timed(), [])

    def test_the_set_clock_reports_by_itself(self) -> None:
        self.client.delete("/api/occasions/1/order")
        ready = (datetime.now() + timedelta(days=4)).replace(hour=19, minute=30, second=0, microsecond=0)
        self.wish(ready_at=ready.isoformat())
        tasks = self.client.post("/api/occasions/1/order", json={}).get_json()["tasks"]
        sets = [one for one in tasks if one["task"]["job"] in ("cool", "set")]
        rest, mass = next(
            (one, other)
            for one in sets
            for other in tasks
            if other["recipe_id"] is not None and other["task"]["id"] in [row["id"] for row in one["task"]["after"]]
        )
        run = self.client.post("/api/batches", json={"recipe_id": mass["recipe_id"], "choices": {}}).get_json()
        start = {"state": "pipe", "from_c": 34.0, "place": "fridge", "cover": "film", "bowl_kg": 0.4}
        self.told(run, {"kind": "set-start", "start": start})
        states = {one["task"]["id"]: one["state"] for one in self.order()["tasks"]}
        self.assertEqual((states[mass["task"]["id"]], states[rest["task"]["id"]]), ("done", "running"))
        self.told(run, {"kind": "set-seen", "after_s": 60.0, "state": "pipe", "passed": True})
        states = {one["task"]["id"]: one["state"] for one in self.order()["tasks"]}
        self.assertEqual(states[rest["task"]["id"]], "done")

    def told(self, run: dict[str, Any], what: dict[str, Any], key: str = "") -> None:
        event = {"client_key": key or what["kind"], "at": datetime.now(UTC).isoformat(), "what": what}
        answer = self.client.post(f"/api/batches/{run['batch']['id']}/events", json={"events": [event]})
        self.assertLess(answer.status_code, 300, answer.text)

    def test_a_confection_left_out_half_way_leaves_the_others_as_they_are(self) -> None:
        row = self.client.get("/api/occasions").get_json()["occasions"][0]
        gone = row["asked"]["rows"][5]["confection_id"]
        wishes = {**row["asked"]["wishes"], "dropped": [gone]}
        self.wish_as({**row["asked"], "wishes": wishes})
        order = self.client.post("/api/occasions/1/order", json={}).get_json()
        states = {one["task"]["id"]: one["state"] for one in order["tasks"]}
        self.assertNotIn("c5.dip", states)
        self.assertEqual((states["c0.cap.2"], states["c1.fill.1"]), ("done", "done"))

    def test_what_goes_in_is_not_changed_under_work_that_has_begun(self) -> None:
        row = self.client.get("/api/occasions").get_json()["occasions"][0]
        self.wish_as({**row["asked"], "rows": row["asked"]["rows"][1:]})
        refused = self.client.post("/api/occasions/1/order", json={})
        self.assertEqual((refused.status_code, refused.get_json()["errors"][0]["code"]), (422, "changed"))

    def wish_as(self, asked: dict[str, Any]) -> None:
        row = self.client.get("/api/occasions").get_json()["occasions"][0]
        answer = self.client.put("/api/occasions/1", json={"revision": row["revision"], "asked": asked})
        self.assertEqual(answer.status_code, 200, answer.text)

    def test_what_mends_a_day_drops_only_the_absence_that_is_in_the_way(self) -> None:
        ready = (datetime.now() + timedelta(days=4)).replace(hour=19, minute=30, second=0, microsecond=0)

        def gone(since: datetime, until: datetime) -> dict[str, Any]:
            return {"from_at": since.isoformat(), "to_at": until.isoformat(), "cook": None}

        short = gone(ready - timedelta(hours=3), ready - timedelta(hours=2))
        long = gone(ready - timedelta(days=5), ready + timedelta(days=30))
        self.client.delete("/api/occasions/1/order")
        asked = self.client.get("/api/occasions").get_json()["occasions"][0]["asked"]
        wishes = {**asked["wishes"], "begins_at": None, "away": [long, short]}
        self.wish_as({**asked, "wishes": wishes, "ready_at": ready.isoformat()})
        refused = self.client.post("/api/occasions/1/order", json={}).get_json()
        self.assertFalse(refused["answer"]["feasible"])
        self.assertEqual(refused["mended"]["wishes"]["away"], [short])
        self.wish_as(refused["mended"])
        self.assertTrue(self.client.post("/api/occasions/1/order", json={}).get_json()["answer"]["feasible"])

    def test_what_cannot_be_planned_says_why(self) -> None:
        self.wish(ready_at="2199-01-20T19:30:00")
        refused = self.client.post("/api/occasions/1/order", json={})
        self.assertEqual(refused.status_code, 422)
        self.assertIn("21 days", refused.get_json()["errors"][0]["message"])

    def test_the_calendar_keeps_its_uids_when_it_is_planned_again(self) -> None:
        def uids() -> set[str]:
            text = self.client.get("/api/occasions/1/order.ics").get_data(as_text=True)
            return {line for line in text.splitlines() if line.startswith("UID:")}

        before = uids()
        self.assertIn("UID:occasion-1-pack@hearth-bowl", before)
        self.happened("c5.roll", "done", "2026-08-13T12:55:00")
        self.client.post("/api/occasions/1/order", json={})
        self.assertLessEqual(before, uids())

    def test_a_plan_that_nobody_waits_for_any_more_is_not_kept(self) -> None:
        self.client.delete("/api/occasions/1/order")
        first = self.client.post("/api/occasions/1/order", json={"effort": "quick"}).get_json()
        planner = self.client.application.extensions["hearth_bowl.planner"]
        plan, told = planner.plan, list[int]()

        def settled_meanwhile(record: dict[str, Any], effort: float) -> Any:
            told.append(self.client.post("/api/occasions/1/order/settle").status_code)
            return {**plan(record, effort), "hands_on_min": 1}

        with patch.object(planner, "plan", settled_meanwhile):
            kept = self.client.post("/api/occasions/1/order", json={"effort": "quick"}).get_json()
        self.assertEqual((told, kept["answer"], kept["planned_at"]), ([200], first["answer"], first["planned_at"]))

    def test_what_if_tries_one_wish_and_stores_nothing(self) -> None:
        asked = self.client.get("/api/occasions").get_json()["occasions"][0]["asked"]
        before = self.order()
        found = self.client.post("/api/occasions/what-if", json={"asked": asked, "change": "cook"}).get_json()
        self.assertTrue(found["feasible"])
        self.assertGreater(found["visits"], 0)
        wrong = self.client.post("/api/occasions/what-if", json={"asked": asked, "change": "luck"})
        self.assertEqual(wrong.status_code, 422)
        self.assertEqual(self.order()["answer"], before["answer"])

    def test_the_table_and_the_guests_of_the_occasion(self) -> None:
        asked = self.client.get("/api/occasions").get_json()["occasions"][0]["asked"]
        hot = {**asked, "wishes": {**asked["wishes"], "table_c": 32.0}}
        found = self.client.post("/api/occasions/served", json=hot).get_json()
        states = {row["name"]: row["state"] for row in found["table"]}
        self.assertEqual((states["First-light planets"], states["Late-watch cones"]), ("runs", "firm"))
        self.assertEqual(next(row for row in found["guests"] if row["key"] == "nuts")["holds"], [1, 5])
        oven = {**asked, "wishes": {**asked["wishes"], "table_c": 99.0}}
        self.assertEqual(self.client.post("/api/occasions/served", json=oven).status_code, 422)

    def test_nothing_is_noted_of_a_task_that_is_not_there(self) -> None:
        answer = self.client.post("/api/occasions/1/order/happened", json={"task": "c9.dip", "what": "done"})
        self.assertEqual((answer.status_code, answer.get_json()["errors"][0]["path"]), (422, ["body", "task"]))
        self.assertEqual(self.client.get("/api/occasions/99/order").status_code, 404)


class Kept(unittest.TestCase):
    def test_the_demos_order_is_what_the_planner_gives(self) -> None:
        record, answer = planned()
        self.assertEqual(json.loads(ORDER.read_text()), json.loads(json.dumps(answer)))
        self.assertEqual(wrongs(record, answer), [])

    def test_serving_does_not_load_the_solver(self) -> None:
        words = (
            "import sys, hearth_bowl.app, hearth_bowl.server, hearth_bowl.demo.load;"
            "print([name for name in sys.modules if name.startswith('ortools')])"
        )
        run = subprocess.run([sys.executable, "-c", words], capture_output=True, text=True, check=True)
        self.assertEqual(run.stdout.strip(), "[]")
