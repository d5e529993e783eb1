"""What the core answered yesterday it answers today, to a millionth: a rule changes only where it was meant to."""

import json
import unittest
from math import isclose

from tests.core.answers.answers import FILE, Flat, answers

HOW = "where this was meant, keep them anew: python -m tests.core.answers.answers"


class KeptAnswers(unittest.TestCase):
    def test_nothing_changed_that_was_not_meant_to(self) -> None:
        kept: dict[str, Flat] = json.loads(FILE.read_text(encoding="utf-8"))
        now = answers()
        self.assertEqual(sorted(kept), sorted(now), HOW)
        for name, before in kept.items():
            with self.subTest(name):
                after = now[name]
                self.assertEqual(sorted(before), sorted(after), HOW)
                changed = {
                    path: (value, after[path]) for path, value in before.items() if not _same(value, after[path])
                }
                self.assertEqual(changed, {}, HOW)


def _same(before: object, after: object) -> bool:
    if isinstance(before, float) or isinstance(after, float):
        numbers = isinstance(before, int | float) and isinstance(after, int | float)
        return numbers and isclose(float(str(before)), float(str(after)), rel_tol=1e-6, abs_tol=1e-9)
    return before == after


if __name__ == "__main__":
    unittest.main()
