"""Labels: a composition that gives its own figures back, and contradictions by name."""

import unittest

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.ingredients.library import LIBRARY
from hearth_bowl.core.solve.wrapper import KINDS, PARTS, ROWS, TYPICAL, from_label


def label_of(key: str) -> dict[str, float]:
    """Return the figures that a wrapper of a library ingredient would carry."""
    composition = LIBRARY[key].composition_pct
    figures = {name: sum(composition[part] * share for part, share in row.items()) for name, row in ROWS.items()}
    figures["cocoa_pct"] = composition["cocoa_butter"] + composition["cocoa_nonfat"]
    if key.startswith("dark"):
        figures["cocoa_pct"] += composition["water"]
    return {name: round(value, 1) for name, value in figures.items()}


class FromLabel(unittest.TestCase):
    def test_a_wrapper_gives_its_chocolate_back(self) -> None:
        for key, kind in (
            ("dark55", "dark"),
            ("dark70", "dark"),
            ("milk33", "milk"),
            ("milk38", "milk"),
            ("white28", "white"),
        ):
            with self.subTest(key):
                found = from_label(kind, label_of(key))
                self.assertEqual(found.contradictions, ())
                self.assertAlmostEqual(sum(found.composition_pct.values()), 100)
                for part, pct in LIBRARY[key].composition_pct.items():
                    sigma = found.spread_pct.get(part, 0.0)
                    self.assertAlmostEqual(found.composition_pct[part], pct, delta=max(0.4, 2 * sigma), msg=part)

    def test_every_kind_says_what_its_figures_do_not(self) -> None:
        self.assertEqual(set(KINDS), set(PARTS))
        self.assertEqual(set(TYPICAL), set(PARTS))

    def test_more_figures_narrow_it(self) -> None:
        whole = label_of("milk33")
        few = from_label("milk", {name: whole[name] for name in ("fat", "sugars", "protein")})
        many = from_label("milk", whole)
        self.assertLess(many.spread_pct["cocoa_butter"], few.spread_pct["cocoa_butter"])

    def test_says_which_figures_contradict(self) -> None:
        wrong = {**label_of("dark70"), "energy_kcal": 400.0, "saturated": 60.0, "sugars": 60.0}
        words = " ".join(from_label("dark", wrong).contradictions)
        for expected in ("Energy", "Saturated fat is more than all fat", "Sugars is more than all carbohydrate"):
            self.assertIn(expected, words)

    def test_refusals(self) -> None:
        for kind, figures, field in (
            ("toffee", {"fat": 30, "sugars": 50, "protein": 5}, "kind"),
            ("dark", {"fat": 30}, "fat"),
            ("dark", {"fat": -1, "sugars": 50, "protein": 5}, "fat"),
            ("dark", {"fat": 30, "sugars": float("nan"), "protein": 5}, "sugars"),
            ("dark", {"fat": 30, "sugars": 50, "colour": 5}, "colour"),
        ):
            with self.assertRaises(BadInput) as refused:
                from_label(kind, figures)
            self.assertEqual(refused.exception.field, (field,))
