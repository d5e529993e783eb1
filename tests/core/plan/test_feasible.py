"""What can be done is never called impossible: in whatever order it is listed, with more of anything, in a hurry."""

import unittest
from itertools import count
from random import Random
from typing import Any

from hearth_bowl.core.plan.plan import plan_occasion
from hearth_bowl.formats.occasion_file import occasion_from, plan_answer
from hearth_bowl.solver import CpSat
from tests.core.plan.occasions import domes, eased, occasion_record, planned, tight_record, wrongs


def mended(record: dict[str, Any], answer: dict[str, Any]) -> dict[str, Any]:
    """Return a file with the change that was offered, or with all that were offered together, one after the other."""
    for change in [answer["least_change"]] if answer["least_change"] else answer["together"]:
        becomes = {key: value for key, value in change["becomes"].items() if key != "leave_out"}
        gone = change["becomes"].get("leave_out")
        rows = [row for at, row in enumerate(record["confections"]) if at != gone]
        record = {**record, **becomes, "confections": rows}
    return record


class Feasible(unittest.TestCase):
    def test_one_tempering_for_several_turns_of_a_mould_never_stands_in_the_way(self) -> None:
        pears, almonds = domes("Pear domes", 42), domes("Almond domes", 21)
        for pair in ((pears, almonds), (almonds, pears)):
            rows = [{"confection": one, "out_of_fridge_min": 30} for one in pair]
            record = {**occasion_record([], ready_at="2026-08-15T19:30", has={"bowls": 8}), "confections": rows}
            answer = planned(record)
            self.assertEqual(wrongs(record, answer), [])
            self.assertTrue(answer["proved"])

    def test_what_is_made_easier_stays_possible_and_what_is_not_is_mended_by_its_offer(self) -> None:
        refused = 0
        for seed in (0, 2, 5, 25, 34):
            random = Random(seed)
            record = tight_record(random)
            with self.subTest(seed):
                answer = planned(record, 0)
                if answer["feasible"]:
                    self.assertEqual(wrongs(record, answer), [])
                    for way, easier in eased(record, random).items():
                        self.assertTrue(planned(easier, 0)["feasible"], way)
                    self.assertTrue(planned(record, 0, "middle")["feasible"])
                else:
                    refused += 1
                    self.assertTrue(planned(mended(record, answer), 0)["feasible"])
        self.assertGreater(refused, 1)

    def test_where_time_runs_out_it_is_not_decided_or_the_first_order_stands(self) -> None:
        hours = count(0, 3600)
        for record, feasible in ((occasion_record([0, 4]), True), (tight_record(Random(27)), None)):
            occasion, midnight = occasion_from(record)
            plan = plan_occasion(occasion, CpSat, lambda: next(hours))
            answer = plan_answer(plan, midnight)
            self.assertIs(answer["feasible"], feasible)
            self.assertFalse(answer.get("proved", False))
            codes = [row["code"] for row in answer.get("because", [])]
            self.assertEqual(codes, [] if feasible else ["not-decided"])
