"""The table and the guests: what stays firm in the warmth, what helps, and who may eat what."""

import unittest
from dataclasses import replace

from hearth_bowl.core.boxes.guests import Guest, guests
from hearth_bowl.core.boxes.table import AtTable, at_table
from hearth_bowl.core.confection.work_out import Worked, work_out
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.solve.slide import slide_to
from hearth_bowl.formats.confection_file import confection_from
from tests.core.plan.occasions import confection_record

CONES, PLANETS, DROPS, SQUARES, CHEESE = 8, 9, 10, 11, 4


def made(position: int) -> Worked:
    return work_out(confection_from(confection_record(position)))


def stands(position: int, table_c: float, hours: float = 2.0) -> AtTable:
    return at_table(made(position), table_c, hours)


class Table(unittest.TestCase):
    def test_a_summer_evening_softens_milk_chocolate_before_dark(self) -> None:
        self.assertEqual([stands(CONES, c).state for c in (20, 28, 32)], ["firm", "firm", "firm"])
        self.assertEqual([stands(PLANETS, c).state for c in (20, 32)], ["firm", "runs"])
        self.assertIn("Dark chocolate 60 %", " ".join(stands(PLANETS, 32).helps))

    def test_a_bare_mass_is_judged_itself_and_a_firmer_ratio_is_reckoned(self) -> None:
        found = stands(SQUARES, 28)
        self.assertEqual((found.state, found.decides), ("soft", "layer: Hill-top fudge squares"))
        assert found.firmer is not None
        self.assertGreater(found.firmer.to_ratio, found.firmer.from_ratio)
        worked = made(SQUARES)
        part = worked.confection.parts[0]
        firm = replace(part, of=slide_to(part.of, found.firmer.to_ratio))  # type: ignore[arg-type]
        firmer = work_out(replace(worked.confection, parts=(firm,)))
        self.assertEqual(at_table(firmer, 28, 2).state, "firm")

    def test_warmth_never_firms(self) -> None:
        for position in (CONES, PLANETS, DROPS, SQUARES):
            indices = [stands(position, c).index or 0.0 for c in (15, 20, 24, 28, 32)]
            self.assertEqual(indices, sorted(indices, reverse=True))

    def test_what_belongs_in_the_cold_is_out_of_it_two_hours_in_all_and_sweats(self) -> None:
        self.assertIn("2 h", " ".join(stands(CHEESE, 24, 3).says))
        self.assertNotIn("2 h", " ".join(stands(CHEESE, 24, 1).says))
        self.assertIn("sweats", " ".join(stands(CHEESE, 24, 1).says))
        self.assertEqual(stands(CHEESE, 12, 1).says, ())

    def test_no_table_is_as_hot_as_an_oven(self) -> None:
        with self.assertRaises(BadInput):
            stands(CONES, 60)


class Guests(unittest.TestCase):
    def of(self, key: str, *positions: int) -> Guest | None:
        found = guests([made(position) for position in positions])
        return next((guest for guest in found if guest.key == key), None)

    def test_who_must_not_eat_nuts_is_told_what_holds_them_and_what_is_made_beside(self) -> None:
        guest = self.of("nuts", CONES, PLANETS, DROPS)
        assert guest is not None
        self.assertEqual((guest.holds, guest.free, guest.beside), ((1,), (0, 2), (0, 2)))

    def test_alcohol_honey_and_small_pieces_are_told_too(self) -> None:
        alcohol, honey = self.of("alcohol", CONES, DROPS), self.of("honey", PLANETS, DROPS)
        assert alcohol is not None and honey is not None
        self.assertEqual((alcohol.holds, alcohol.beside), ((0,), ()))
        self.assertEqual(honey.holds, (0,))

    def test_what_nothing_holds_is_not_asked_about(self) -> None:
        self.assertIsNone(self.of("peanut", CONES, DROPS))
