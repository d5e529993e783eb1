"""What a log teaches: kitchens of known factors are found out, bands hold, outliers and feel count less."""

import unittest
from math import exp, log
from random import Random
from statistics import median

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.learn.corrections import Correction, Entry, correction_of, learn

WHAT = "cooling:fridge"


def entries(*observed: float, what: str = WHAT, by: str = "instrument", age_days: float = 0.0) -> list[Entry]:
    return [
        Entry(what=what, predicted=75, observed=value, by=by, age_days=age_days)  # type: ignore[arg-type]
        for value in observed
    ]


def learned(*rows: Entry) -> Correction:
    (found,) = learn(rows)
    return found


class Kitchens(unittest.TestCase):
    def simulated(self, chance: Random, factor: float, noise: float) -> float:
        """Return one observation of 75 minutes: noisy, one in eight of something else altogether."""
        wrong = chance.choice((0.3, 0.4, 2.5, 3.2)) if chance.random() < 1 / 8 else 1.0
        return 75 * factor * exp(chance.gauss(0, noise)) * wrong

    def test_after_five_batches_a_kitchen_is_known_and_its_bands_hold(self) -> None:
        chance = Random(5)
        missed, book, inside = [], [], 0
        for _ in range(500):
            factor, noise = exp(chance.uniform(log(0.6), log(1.8))), chance.uniform(0.10, 0.25)
            found = learned(*entries(*(self.simulated(chance, factor, noise) for _ in range(5))))
            missed.append(abs(log(found.value / factor)))
            book.append(abs(log(factor)))
            inside += found.low <= self.simulated(chance, factor, noise) / 75 <= found.high
        self.assertLess(median(missed), median(book) / 2)
        self.assertTrue(0.70 <= inside / 500 <= 0.92, inside / 500)

    def test_a_kitchen_like_the_book_stays_like_it(self) -> None:
        chance = Random(8)
        apart = [
            abs(
                learned(*entries(*(self.simulated(chance, 1.0, chance.uniform(0.1, 0.25)) for _ in range(5)))).value - 1
            )
            for _ in range(400)
        ]
        self.assertLess(median(apart), 0.08)


class Entries(unittest.TestCase):
    def test_without_an_entry_the_book_stands(self) -> None:
        self.assertEqual(learn([]), ())
        found = correction_of(WHAT, [])
        self.assertEqual((found.value, found.low, found.high, found.entries), (1.0, 0.75, 1.45, 0))
        offset = correction_of("thermometer:oven", [])
        self.assertEqual((offset.kind, offset.value), ("offset", 0.0))

    def test_more_of_the_same_comes_nearer_and_narrows_the_band(self) -> None:
        one, three, nine = (learned(*entries(*(98.0,) * count)) for count in (1, 3, 9))
        self.assertTrue(1 < one.value < three.value < nine.value < 98 / 75)
        self.assertGreater(one.high / one.low, nine.high / nine.low)
        self.assertTrue(three.low < 98 / 75 < three.high)

    def test_one_gross_outlier_moves_it_little_and_is_told(self) -> None:
        plain = learned(*entries(98, 95, 101, 97))
        with_one = learned(*entries(98, 95, 101, 97, 300))
        self.assertAlmostEqual(with_one.value, plain.value, delta=0.05)
        self.assertEqual((plain.left_out, with_one.left_out, with_one.entries), (0, 1, 5))

    def test_by_feel_and_what_is_old_count_less(self) -> None:
        measured = learned(*entries(98, 98))
        self.assertGreater(measured.value, learned(*entries(98, 98, by="feel")).value)
        self.assertGreater(measured.value, learned(*entries(98, 98, age_days=900)).value)

    def test_offsets_are_learned_in_their_own_units(self) -> None:
        rows = [Entry(what="end:boiled-fudge", predicted=115, observed=116.5) for _ in range(6)]
        found = learned(*rows)
        self.assertEqual(found.kind, "offset")
        self.assertTrue(1.0 < found.value < 1.5)
        firm = learned(*[Entry(what="set:dark60", predicted=3.0, observed=2.6)] * 6)
        self.assertTrue(-0.4 < firm.value < -0.2)
        self.assertEqual(learned(*[Entry(what="set:fridge", predicted=60, observed=90)]).kind, "factor")

    def test_quantities_keep_apart_and_what_is_none_is_named(self) -> None:
        found = learn([*entries(98), *entries(60, what="cooling:counter")])
        self.assertEqual([(one.what, one.value > 1) for one in found], [(WHAT, True), ("cooling:counter", False)])
        for entry, field in (
            (Entry(what="mood:cook", predicted=1, observed=1), "what"),
            (Entry(what="cooling:", predicted=1, observed=1), "what"),
            (Entry(what=WHAT, predicted=0, observed=1), "predicted"),
            (Entry(what=WHAT, predicted=1, observed=float("nan")), "observed"),
            (Entry(what=WHAT, predicted=1, observed=500), "observed"),
        ):
            with self.subTest(entry), self.assertRaises(BadInput) as refused:
                learn([*entries(98), entry])
            self.assertEqual(refused.exception.field, ("entries", 1, field))


if __name__ == "__main__":
    unittest.main()
