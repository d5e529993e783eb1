"""What the library does not have: found by a near name, or made known by what it is like, its allergens by name."""

import unittest

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.ingredients.alike import groups_of, like
from hearth_bowl.core.ingredients.library import find
from hearth_bowl.core.recipe.written.names import near_names


class Alike(unittest.TestCase):
    def test_what_is_like_a_walnut_weighs_and_lies_like_one_and_is_named_as_itself(self) -> None:
        made, walnut = like("Hickory nuts", "walnut_whole", ["pecan", "milk"]), find("walnut_whole")
        self.assertEqual((made.composition_pct, made.own_body), (walnut.composition_pct, True))
        self.assertEqual((made.name, made.key), ("Hickory nuts", None))
        self.assertEqual((made.allergens, made.allergens_named), (("milk", "nuts"), ("pecan",)))
        self.assertEqual(like("Comet nuts", "walnut_whole", None).allergens_named, ("walnut",))
        self.assertEqual(like("Moon flakes", "puffed_rice", []).allergens, ())

    def test_allergens_are_named_or_refused_with_those_that_there_are(self) -> None:
        self.assertEqual(groups_of(["Pecans", "wheat", "milk"]), (("gluten", "milk", "nuts"), ("pecan", "wheat")))
        for given, allowed in (("nuts", "pecan"), ("gluten", "rye"), ("stardust", "macadamia")):
            with self.subTest(given), self.assertRaises(BadInput) as refused:
                groups_of([given])
            self.assertEqual(refused.exception.field, ("allergens", 0))
            self.assertIn(allowed, refused.exception.allowed)
        with self.assertRaises(BadInput) as unknown:
            like("Comet nuts", "comet", None)
        self.assertEqual(unknown.exception.field, ("like",))

    def test_synonyms_and_misspellings_find_it(self) -> None:
        for words, key in (
            ("digestives", "wholemeal_biscuit"),
            ("macadmia nuts", "macadamia_whole"),
            ("pecann", "pecan_whole"),
            ("feulletine", "wafer_flakes"),
            ("confectioner's sugar", "sugar_icing"),
            ("Sahne", "cream30"),
        ):
            with self.subTest(words):
                self.assertIn(key, near_names(words))
        self.assertEqual(near_names("xqzw"), ())


if __name__ == "__main__":
    unittest.main()
