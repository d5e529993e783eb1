"""The verb `plan`: an occasion to its running order, by the contract; what cannot be read is refused by its field."""

from typing import Any

from tests.cli.test_verbs import CommandLine
from tests.core.plan.occasions import occasion_record, wrongs


class Plan(CommandLine):
    def plan(self, record: dict[str, Any], *options: str) -> Any:
        return self.ok("plan", self.file("occasion.json", record), *options)

    def test_an_order_has_all_that_the_contract_names(self) -> None:
        record = occasion_record([0, 9], has={"rings": 1, "fridge_shelves": 2})
        answer = self.plan(record)
        self.assertEqual((answer["feasible"], answer["proved"]), (True, True))
        self.assertEqual(wrongs(record, answer), [])
        self.assertEqual(answer["starts_at"], min(task["starts_at"] for task in answer["tasks"]))
        for name in ("id", "confection", "for", "job", "title", "starts_at", "ends_at", "attended", "cook", "uses"):
            self.assertTrue(all(name in task for task in answer["tasks"]), name)
        self.assertTrue(all((task["cook"] is None) != task["attended"] for task in answer["tasks"]))

    def test_middle_waits_and_a_larger_effort(self) -> None:
        record = occasion_record([4])
        slow, middle = self.plan(record), self.plan(record, "--waits", "middle", "--effort", "2")
        self.assertLess(slow["starts_at"], middle["starts_at"])

    def test_a_sphere_is_filled_dry_turn_by_turn(self) -> None:
        record = occasion_record([6])
        answer = self.plan(record)
        turns = {job: sum(task["job"] == job for task in answer["tasks"]) for job in ("shell", "fill", "unmould")}
        self.assertEqual(len(set(turns.values())), 1, turns)
        self.assertEqual(wrongs(record, answer), [])

    def test_what_is_wrong_is_named_by_its_field(self) -> None:
        good = occasion_record([4])
        for change, field in (
            ({"now": None}, "now"),
            ({"ready_at": "2026-08-01T10:00"}, "ready_at"),
            ({"ready_at": "2026-10-01T10:00"}, "ready_at"),
            ({"now": "2026-08-10T09:00+02:00"}, "now"),
            ({"cooks": 9}, "cooks"),
            ({"has": {"ovens": 1}}, "has.ovens"),
            ({"hours": {"from": "22:00", "to": "08:00"}}, "hours"),
            ({"away": [["2026-08-11T10:00", "2026-08-11T09:00"]]}, "away[0]"),
            ({"away": [{"cook": 3, "from": "2026-08-11T08:00", "to": "2026-08-11T09:00"}]}, "away[0].cook"),
            ({"confections": []}, "confections"),
            ({"confections": [{"confection": {}}]}, "confections[0].confection"),
            ({"happened": [{"id": "c9.dip", "starts_at": "2026-08-10T08:00", "ends_at": None}]}, "happened[0].id"),
        ):
            with self.subTest(field):
                error = self.refused("plan", self.file("occasion.json", {**good, **change}))
                self.assertTrue(error["field"].startswith(field), error)
