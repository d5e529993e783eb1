"""A fixed sample of each attack; `python -m benchmarks.attack` runs the full counts."""

import unittest

from tests.attack.fuzz import fuzz
from tests.attack.hostile import open_all
from tests.attack.kills import kill_often
from tests.attack.soak import BATCHES_A_DAY, READINGS_A_BATCH, soak
from tests.counts import trials


class Attacks(unittest.TestCase):
    def test_kills_under_load_lose_nothing_that_was_acknowledged(self) -> None:
        found = kill_often(trials(4), 7)
        self.assertEqual(found.lost, [])
        self.assertEqual(found.kills, trials(4))
        self.assertGreaterEqual(found.writes, 1)  # one round waits for a write, however slow the machine is

    def test_odd_requests_to_every_operation_are_never_answered_500(self) -> None:
        found = fuzz(trials(250), 11)
        self.assertEqual([each for each in found.wrong if each.startswith("5")], [])
        self.assertGreater(len(found.reached), 60)
        self.assertTrue({200, 201, 404, 422} <= set(found.statuses))

    def test_days_leave_a_kitchen_whole_and_small(self) -> None:
        found = soak(trials(8))
        self.assertEqual(found.wrong, [])
        self.assertEqual(found.batches, BATCHES_A_DAY * trials(8))
        self.assertEqual(found.sent, found.batches * READINGS_A_BATCH)
        self.assertLess(found.kept, found.sent)
        self.assertLess(found.backups, 20)

    def test_hostile_files_are_refused_or_harmless(self) -> None:
        found = open_all(trials(20), 5)
        self.assertEqual(found.wrong, [])
        self.assertGreater(found.refused, 10)


if __name__ == "__main__":
    unittest.main()
