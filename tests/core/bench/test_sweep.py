"""From the fridge to the hand: what is said of our starters has no jump, no contradiction and no way back."""

import re
import unittest
from itertools import pairwise

from hearth_bowl.core.bench.formula import Formula, formula
from hearth_bowl.core.mass.set_index import index_curve
from hearth_bowl.core.recipe.families import FAMILY
from hearth_bowl.core.recipe.recipe import FAMILIES
from hearth_bowl.core.solve.starters import starter

SWEPT_C = range(5, 36, 2)
FINE_C = [0.1 * tenth for tenth in range(50, 351)]
MOST_A_TENTH = 0.3
"""The most that a set index moves in a tenth of a degree below 24 °C; warmer, the last solid fat melts away at once."""
MELTS_C = 24.0


def turn_c(found: Formula) -> float | None:
    """Return the temperature at which it is said to turn."""
    said = re.search(r"(?:below|above) ⟦(-?[0-9.]+) °C⟧", found.sentence.turn)
    return float(said[1]) if said else None


def rank(lead: str) -> int:
    """Return where a sentence stands from too firm to too soft."""
    return 0 if lead.startswith("Too firm") else 2 if lead.startswith("Too soft") else 1


class Sweep(unittest.TestCase):
    def test_every_family_and_use(self) -> None:
        for family in FAMILIES:
            for use in FAMILY[family].uses:
                for chocolate in ("dark60", "white32"):
                    made = starter(family, use, chocolate)
                    found = [(float(c), formula(made, at_c=float(c))) for c in SWEPT_C]
                    with self.subTest(family=family, use=use, chocolate=chocolate):
                        self.check(found)

    def check(self, found: list[tuple[float, Formula]]) -> None:
        assessed = found[0][1].assessment
        if assessed.set.index is not None:
            curve = zip(FINE_C, index_curve(assessed.mixture, FINE_C), strict=True)
            for (at_c, first), (_, second) in pairwise(curve):
                self.assertGreaterEqual(first - second, -1e-9 if at_c < MELTS_C else -0.6, at_c)
                self.assertLess(first - second, MOST_A_TENTH if at_c < MELTS_C else 5, at_c)
        self.assertEqual(len({row.assessment.set.index is None for _, row in found}), 1)
        cold = [(c, row) for c, row in found if "work it at" not in row.sentence.turn]
        ranks = [rank(row.sentence.lead) for _, row in cold]
        self.assertEqual(ranks, sorted(ranks))
        for at_c, row in cold:
            turn = turn_c(row)
            if turn is not None:
                self.assertTrue(turn < at_c if "below" in row.sentence.turn else turn >= at_c, row.sentence)
        for at_c, row in found:
            if row.assessment.use is None or "work it at" not in row.sentence.turn:
                continue
            words = {"too-cool": "Cool to", "right": "", "too-warm": "Too warm"}[row.assessment.use.state]
            self.assertTrue(row.sentence.lead.startswith(words), (at_c, row.sentence))
            self.assertEqual(row.sentence.fits, row.assessment.use.rested == "right")


if __name__ == "__main__":
    unittest.main()
