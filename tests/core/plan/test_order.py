"""Running orders: every wish of the file is kept, whatever the wishes; the same file has the same order."""

import unittest
from datetime import datetime
from random import Random
from typing import Any

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.method.method import method_of_confection
from hearth_bowl.core.recipe.recipe import FAMILIES
from hearth_bowl.formats.occasion_file import occasion_from
from tests.core.plan.occasions import (
    SMALL,
    VESSELS_BY_FORM,
    family_record,
    occasion_record,
    planned,
    random_record,
    wrongs,
)


def tasks_of(answer: dict[str, Any], job: str) -> list[dict[str, Any]]:
    return [task for task in answer["tasks"] if task["job"] == job]


class Orders(unittest.TestCase):
    def test_whatever_is_wished_is_kept(self) -> None:
        for seed in range(24):
            record = random_record(Random(seed), most=3)
            with self.subTest(seed):
                answer = planned(record)
                self.assertTrue(answer["feasible"], answer.get("because"))
                self.assertEqual(wrongs(record, answer), [])

    def test_work_keeps_half_an_hour_to_spare_and_kind_hours_where_it_can(self) -> None:
        for position in (0, 4, 9, 10, 11):
            record = occasion_record([position])
            with self.subTest(position):
                answer = planned(record)
                self.assertTrue(answer["proved"])
                for task in answer["tasks"]:
                    if task["attended"]:
                        self.assertGreaterEqual(task["starts_at"][11:], "09:00")
                        self.assertLessEqual(task["ends_at"][11:], "21:00")

    def test_first_order_stands_at_once_and_keeps_all_that_is_wished(self) -> None:
        record = occasion_record([0, 1, 3, 4, 5, 6, 7, 8, 9, 10, 11, 10], ready_at="2026-08-17T19:30")
        answer = planned(record, 0)
        self.assertTrue(answer["feasible"])
        self.assertEqual(wrongs(record, answer), [])

    def test_the_same_file_has_the_same_order(self) -> None:
        record = random_record(Random(5), most=4)
        self.assertEqual(planned(record), planned(record))

    def test_ids_stay_when_wishes_change(self) -> None:
        first = planned(occasion_record([0, 4]))
        then = planned(occasion_record([0, 4], cooks=2, ready_at="2026-08-13T12:00"))
        self.assertEqual(
            {task["id"] for task in first["tasks"] if task["job"] != "wash"},
            {task["id"] for task in then["tasks"] if task["job"] != "wash"},
        )

    def test_a_mass_and_a_tempering_serve_all_that_share_them(self) -> None:
        answer = planned(occasion_record([7, 8, 10]))
        shared = [task for task in answer["tasks"] if task["confection"] is None and task["job"] == "join"]
        self.assertEqual([task["for"] for task in shared], [[0, 2]])
        self.assertEqual(len([task for task in tasks_of(answer, "temper") if "turn.1" in task["id"]]), 1)

    def test_what_is_poured_at_once_is_not_made_once_for_one_tin(self) -> None:
        answer = planned(occasion_record([1, 11], ready_at="2026-08-15T19:30"))
        self.assertEqual(sum(task["recipe"] == "Hill-top fudge squares" for task in answer["tasks"]), 2)
        self.assertEqual(wrongs(occasion_record([1, 11], ready_at="2026-08-15T19:30"), answer), [])

    def test_every_act_of_the_method_is_in_one_task_and_only_the_plans_own_have_none(self) -> None:
        for position in (0, 1, 3, 4, 5, 6, 7, 8, 9, 10, 11):
            record = occasion_record([position], ready_at="2026-08-30T19:30")
            with self.subTest(position):
                answer = planned(record)
                worked = occasion_from(record)[0].wanted[0].worked
                acts = [f"c0.{act.id}" for act in method_of_confection(worked, {}, Kitchen()).acts]
                self.assertEqual(sorted(act for task in answer["tasks"] for act in task["acts"]), sorted(acts))
                own = {task["job"] for task in answer["tasks"] if not task["acts"]}
                self.assertLessEqual(own, {"wash", "soften", "pack"})

    def test_ids_of_ones_own_stay_whatever_else_is_made(self) -> None:
        one, both = occasion_record([0]), occasion_record([4, 0])
        one["confections"][0]["id"] = both["confections"][1]["id"] = "drops"
        alone, beside = (
            {task["id"] for task in planned(record)["tasks"] if task["id"].startswith("drops.")}
            for record in (one, both)
        )
        self.assertEqual(alone, beside)
        self.assertIn("drops.dip", alone)
        for wrong in ("c1", "m0", "a.b", "", "wash"):
            with self.assertRaises(BadInput):
                planned({**one, "confections": [{**one["confections"][0], "id": wrong}]})
        with self.assertRaises(BadInput):
            planned({**both, "confections": [{**row, "id": "drops"} for row in both["confections"]]})

    def test_more_pieces_take_longer_hands(self) -> None:
        few, many = occasion_record([10]), occasion_record([10])
        one = many["confections"][0]["confection"]
        many["confections"][0]["confection"] = {**one, "form": {**one["form"], "pieces": 90}}
        minutes = [planned(record)["hands_on_min"] for record in (few, many)]
        self.assertGreater(minutes[1], minutes[0] + 20)

    def test_a_mould_serves_turn_after_turn_each_with_its_shell_fill_cap_and_unmoulding(self) -> None:
        answer = planned(occasion_record([3]))
        for job in ("shell", "fill", "cap", "unmould"):
            self.assertEqual(len(tasks_of(answer, job)), 3, job)
        self.assertEqual(wrongs(occasion_record([3]), answer), [])

    def test_halves_are_joined_and_pieces_ripen_when_every_turn_of_them_is_ready(self) -> None:
        for position in (6, 8):
            record = occasion_record([position], ready_at="2026-08-30T19:30")
            with self.subTest(position):
                self.assertEqual(wrongs(record, planned(record)), [])

    def test_middle_waits_are_shorter_and_never_impossible_where_slow_ones_are_not(self) -> None:
        record = occasion_record([0])
        middle, slow = planned(record, waits="middle"), planned(record)
        waits = [sum(_minutes(task) for task in answer["tasks"] if not task["attended"]) for answer in (middle, slow)]
        self.assertLess(waits[0], waits[1])

    def test_each_says_how_far_it_may_slip_and_what_holds_it(self) -> None:
        answer = planned(occasion_record([0, 4]))
        for task in answer["tasks"]:
            self.assertGreaterEqual(task["slack_min"], 0)
            self.assertIn(";", task["because"])
        pack = tasks_of(answer, "pack")[0]
        self.assertEqual(pack["held_by"], "c0.soften")


def _minutes(task: dict[str, Any]) -> float:
    starts, ends = (datetime.fromisoformat(task[name]) for name in ("starts_at", "ends_at"))
    return (ends - starts).total_seconds() / 60


class WhenItCannotBe(unittest.TestCase):
    def test_the_reason_is_true_and_the_change_mends_it(self) -> None:
        for wishes in (
            {"ready_at": "2026-08-10T15:00"},
            {"hours": {"from": "09:00", "to": "09:40"}},
            {"has": {"rings": 0}},
            {"ready_at": "2026-08-11T12:00", "away": [["2026-08-10T10:00", "2026-08-11T11:30"]]},
        ):
            record = occasion_record([0], **wishes)
            with self.subTest(str(wishes)):
                answer = planned(record)
                self.assertFalse(answer["feasible"])
                codes = {row["code"] for row in answer["because"]}
                self.assertIn(next(iter(wishes)), codes)
                change = answer["least_change"]
                if change is not None:
                    mended = {**record, **change["becomes"]}
                    self.assertEqual(wrongs(mended, planned(mended)), [])

    def test_what_is_offered_mends_it_whatever_is_wished(self) -> None:
        mended = 0
        for seed in range(14):
            random = Random(seed)
            record = random_record(random, most=3)
            record["ready_at"] = random.choice(("2026-08-10T20:00", "2026-08-11T12:00", "2026-08-12T18:00"))
            record["hours"] = random.choice(({"from": "18:00", "to": "21:00"}, {"from": "09:00", "to": "11:00"}))
            answer = planned(record)
            if answer["feasible"]:
                continue
            with self.subTest(seed):
                self.assertIn("ready_at", {row["code"] for row in answer["because"]})
                changes = [answer["least_change"]] if answer["least_change"] else answer["together"]
                again = record
                for change in changes:
                    again = changed(again, change["becomes"])
                self.assertEqual(wrongs(again, planned(again, 0)), [])
                mended += 1
        self.assertGreater(mended, 8)

    def test_where_nothing_alone_mends_it_two_changes_do(self) -> None:
        record = occasion_record([4, 2], ready_at="2026-08-10T20:00", hours={"from": "09:00", "to": "11:00"})
        answer = planned(record)
        self.assertIsNone(answer["least_change"])
        self.assertEqual(sorted(key for row in answer["together"] for key in row["becomes"]), ["leave_out", "ready_at"])
        again = record
        for change in answer["together"]:
            again = changed(again, change["becomes"])
        self.assertEqual(wrongs(again, planned(again, 0)), [])

    def test_a_confection_that_stands_in_the_way_is_left_out(self) -> None:
        record = occasion_record([4, 2], ready_at="2026-08-14T19:30")
        change = planned(record)["least_change"]
        self.assertEqual((change["what"], change["becomes"]), ("leave-out", {"leave_out": 1}))
        self.assertTrue(planned(occasion_record([4]))["feasible"])


def changed(record: dict[str, Any], becomes: dict[str, Any]) -> dict[str, Any]:
    """Return a file with a change that was offered."""
    wishes = {key: value for key, value in becomes.items() if key != "leave_out"}
    rows = [row for at, row in enumerate(record["confections"]) if at != becomes.get("leave_out")]
    return {**record, **wishes, "confections": rows}


class AfterSomethingHappened(unittest.TestCase):
    def test_what_is_begun_stays_with_its_cook_and_two_things_at_once_can_be_begun(self) -> None:
        record = occasion_record([0, 4], cooks=2, ready_at="2026-08-15T12:00")
        answer = planned(record)
        joins = [task for task in answer["tasks"] if task["job"] in ("join", "melt")][:2]
        for cook in (0, 1):
            tasks = [{**task, "cook": cook} if task in joins else task for task in answer["tasks"]]
            happened = [{"id": task["id"], "starts_at": joins[0]["starts_at"], "ends_at": None} for task in joins]
            running = {**record, "now": joins[0]["starts_at"], "happened": happened, "previous": tasks}
            again = planned(running)
            self.assertTrue(again["feasible"], again)
            cooks = {task["cook"] for task in again["tasks"] if task["id"] in {row["id"] for row in happened}}
            self.assertEqual(cooks, {cook})
            until = max(task["ends_at"] for task in again["tasks"] if task["id"] in {row["id"] for row in happened})
            others = [one for one in again["tasks"] if one["cook"] == cook and one["starts_at"] > joins[0]["starts_at"]]
            self.assertTrue(all(task["starts_at"] >= until for task in others))

    def test_late_days_are_planned_again_around_what_happened(self) -> None:
        moved = []
        for seed in range(24):
            random = Random(seed)
            record = random_record(random, most=3)
            late = delayed(record, planned(record), random)
            answer = planned(late)
            if not answer["feasible"]:
                self.assertTrue(answer["because"])
                continue
            with self.subTest(seed):
                found = wrongs(late, answer)
                if any(row["code"] == "waited-too-long" for row in answer["warnings"]):
                    found = [words for words in found if " waits " not in words]
                self.assertEqual(found, [])
                done = {row["id"] for row in late["happened"]}
                ahead = [task for task in answer["tasks"] if task["id"] not in done]
                moved.append(sum(task["moved"] for task in ahead) / max(1, len(ahead)))
        self.assertGreater(len(moved), 18)
        self.assertLess(sorted(moved)[len(moved) // 2], 0.4)

    def test_on_a_day_as_planned_nothing_moves(self) -> None:
        record = occasion_record([0, 4])
        answer = planned(record)
        again = planned({**record, "previous": answer["tasks"]})
        self.assertEqual([task["moved"] for task in again["tasks"] if task["job"] != "wash"].count(True), 0)


def delayed(record: dict[str, Any], answer: dict[str, Any], random: Random) -> dict[str, Any]:
    """Return a day that ran late: what was begun by a moment has happened, the last of it longer than planned."""
    tasks = answer["tasks"]
    hands = [task for task in tasks if task["attended"] and task["job"] != "pack"]
    last = random.choice(hands)
    planned_end = datetime.fromisoformat(last["ends_at"])
    minutes = random.choice((5, 10, 20, 40))
    now = datetime.fromtimestamp(planned_end.timestamp() + 60 * minutes)
    happened = []
    for task in tasks:
        ended = datetime.fromisoformat(task["ends_at"])
        if task is last:
            happened.append({**_moments(task), "ends_at": now.isoformat(timespec="minutes")})
        elif datetime.fromisoformat(task["starts_at"]) < planned_end:
            happened.append({**_moments(task), **({} if ended <= now else {"ends_at": None})})
    return {**record, "now": now.isoformat(timespec="minutes"), "happened": happened, "previous": tasks}


def _moments(task: dict[str, Any]) -> dict[str, Any]:
    return {name: task[name] for name in ("id", "starts_at", "ends_at")}


class NutsLast(unittest.TestCase):
    def topped(self, *nuts: str) -> dict[str, Any]:
        record = occasion_record([11] * len(nuts), ready_at="2026-08-12T19:30", away=[AWAY_TILL_NOON])
        for row, nut in zip(record["confections"], nuts, strict=True):
            one = row["confection"]
            form = {**one["form"], "vessel": {**one["form"]["vessel"], "name": f"tin for {nut}"}}
            parts = (
                [*one["parts"], {"role": "topping", "of": {"ingredient": nut}, "g_each": 1}] if nut else one["parts"]
            )
            row["confection"] = {**one, "name": nut or "plain", "form": form, "parts": parts}
        return record

    def test_nut_free_first_then_nuts_after_a_wash_peanuts_last(self) -> None:
        record = self.topped("peanut_whole", "almond_whole", "")
        answer = planned(record)
        self.assertEqual(wrongs(record, answer), [])
        days: dict[str, list[str]] = {}
        for task in answer["tasks"]:
            if task["attended"] and task["confection"] is not None:
                held = task["holds"][0] if task["holds"] else "none"
                days.setdefault(task["starts_at"][:10], []).append(held)
        for held in days.values():  # what follows almonds comes after a wash: see wrongs
            self.assertEqual(held, sorted(held, key=lambda name: name == "peanut"))


AWAY_TILL_NOON = ["2026-08-10T09:00", "2026-08-10T12:00"]


class LeftOut(unittest.TestCase):
    def test_the_others_keep_their_ids_and_what_is_shared_stays(self) -> None:
        record = occasion_record([7, 8, 10])
        whole = planned(record)
        record["confections"][0]["dropped"] = True
        left = planned(record)
        ids = {task["id"] for task in left["tasks"] if task["job"] != "wash"}
        self.assertFalse({name for name in ids if name.startswith("c0.")})
        own = {task["id"] for task in whole["tasks"] if task["for"] != [0] and task["job"] != "wash"}
        self.assertEqual(ids, own)
        self.assertEqual(wrongs({**record, "confections": record["confections"][1:]}, renumbered(left)), [])

    def test_soft_cheese_that_hands_have_out_of_the_cold_too_long_is_said(self) -> None:
        record = occasion_record([4])
        one = record["confections"][0]["confection"]
        record["confections"][0]["confection"] = {**one, "form": {**one["form"], "pieces": 200}}
        codes = [row["code"] for row in planned(record)["warnings"]]
        self.assertEqual(codes, ["out-of-cold"])
        self.assertEqual(planned(occasion_record([4]))["warnings"], [])


def renumbered(answer: dict[str, Any]) -> dict[str, Any]:
    """Return an answer whose first confection is left out as if it had never been there."""
    tasks = [
        {**task, "confection": None if task["confection"] is None else task["confection"] - 1}
        for task in answer["tasks"]
    ]
    return {**answer, "tasks": tasks}


class Families(unittest.TestCase):
    def test_every_family_in_every_form_has_an_order_or_cannot_be_put_together(self) -> None:
        ordered = 0
        for family in FAMILIES:
            for form in VESSELS_BY_FORM:
                record = family_record(family, form)
                with self.subTest(f"{family} in {form}"):
                    try:
                        answer = planned(record, 0)
                    except BadInput as problem:
                        self.assertEqual(problem.field[:2], ("confections", 0))
                        continue
                    self.assertTrue(answer["feasible"] or family == "fondant", answer.get("because"))
                    if answer["feasible"]:
                        self.assertEqual(wrongs(record, answer), [])
                        ordered += 1
        self.assertGreater(ordered, 40)


class Small(unittest.TestCase):
    def test_every_small_confection_has_an_order_of_its_own(self) -> None:
        for position in SMALL:
            with self.subTest(position):
                self.assertTrue(planned(occasion_record([position]))["proved"])
