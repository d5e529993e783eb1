"""From the fridge to the hand: what is said of our starters has no jump, no contradiction and no way back."""

import re
import unittest
from itertools import pairwise

from hearth_bowl.core.assess.assess import assess
from hearth_bowl.core.bench.formula import Formula, formula
from hearth_bowl.core.ingredients.library import LIBRARY
from hearth_bowl.core.mass.set_index import index_curve
from hearth_bowl.core.recipe.families import FAMILY
from hearth_bowl.core.recipe.recipe import AIMED_INDEX, FAMILIES, Recipe
from hearth_bowl.core.solve.starters import starter
from tests.counts import trials

CHOCOLATES = [key for key, row in LIBRARY.items() if row.kind in ("chocolate", "compound")]
SAMPLED = ("dark60", "white32", "compound_milk")
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

    def test_each_meets_its_use_and_nothing_wrong_is_said_of_it(self) -> None:
        for family in FAMILIES:
            for use in FAMILY[family].uses:
                for chocolate in CHOCOLATES if trials(1) > 1 else SAMPLED:
                    with self.subTest(family=family, use=use, chocolate=chocolate):
                        self.check_sound(starter(family, use, chocolate))

    def check_sound(self, made: Recipe) -> None:
        found = assess(made)
        self.assertNotIn(found.split.band, ("fragile", "splits"))
        index, aim = found.set.index, AIMED_INDEX.get(made.use or "")
        if index is not None and aim is not None:
            self.assertLess(abs(index - aim), 0.55)
        self.assertFalse({caution.code for caution in found.warnings} & {"seized", "dough", "may-seize"})

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
