"""Other sizes of a confection: whole packs, whole moulds, and its batch in another vessel."""

import unittest
from dataclasses import replace
from typing import Any

from hypothesis import given, settings
from hypothesis import strategies as st

from hearth_bowl.core.confection.confection import Confection, Form, Part
from hearth_bowl.core.confection.sizes import at_size, main_part, near_sizes, suits
from hearth_bowl.core.confection.work_out import work_out
from hearth_bowl.core.fit.vessel import Vessel, checked_vessel
from hearth_bowl.core.ingredients.library import find
from tests.kitchen import recipe

FUDGE = recipe("condensed-milk-fudge", "cut", condensed_sweet=397, dark55=420)
DARK = recipe(dark60=200, cream35=100)


def pan(length_mm: float, depth_mm: float) -> Vessel:
    return checked_vessel("pan", "rectangle", {"length_mm": length_mm, "width_mm": length_mm, "depth_mm": depth_mm})


CONES = checked_vessel("mould", "cone", {"rim_radius_mm": 15, "floor_radius_mm": 9, "height_mm": 22, "cavities": 20})
CUPS = checked_vessel("cup", "", {"volume_ml": 12, "count": 30})
BALLS = checked_vessel("pieces", "", {"piece_g": 12})


def slab(vessel: Vessel, **amount: Any) -> Confection:
    part = Part(role="layer", of=FUDGE, **amount)
    return Confection(name="Squares", form=Form(vessel=vessel, pieces=36), parts=(part,))


def cones(pieces: int) -> Confection:
    parts = (Part(role="shell", of=find("dark60")), Part(role="filling", of=DARK))
    return Confection(name="Cones", form=Form(vessel=CONES, pieces=pieces), parts=parts)


class Near(unittest.TestCase):
    def test_a_whole_tin_changes_the_thickness_and_keeps_the_pieces(self) -> None:
        confection = slab(pan(200, 40), mm=20.0)
        worked = work_out(confection)
        near = near_sizes(worked, {"dark55": 200.0})
        tin = next(one for one in near if one.says.startswith("1 tin of"))
        there = at_size(confection, tin.size)
        self.assertAlmostEqual(there.parts[0].weigh[0].amount_g, 397, delta=0.1)
        self.assertEqual(there.pieces, 36)
        self.assertAlmostEqual((there.parts[0].mm or 0) / 20, 1 + tin.change, places=3)
        packs = next(one for one in near if "pack" in one.says)
        dark_g = at_size(confection, packs.size).parts[0].weigh[1].amount_g
        self.assertAlmostEqual(dark_g, 200 * round(dark_g / 200), delta=0.1)
        self.assertTrue(any(one.says.startswith("The recipe as it is, ⟦817 g⟧") for one in near))
        self.assertEqual([abs(one.change) for one in near], sorted(abs(one.change) for one in near))

    def test_whole_moulds_are_offered(self) -> None:
        found = {one.size.pieces: one for one in near_sizes(work_out(cones(50)), {})}
        self.assertEqual(found[40].says, "2 whole moulds")
        self.assertEqual(found[60].gives, "60 pieces")

    @given(pieces=st.integers(3, 200), pack_g=st.floats(20, 900))
    @settings(max_examples=40)
    def test_no_size_takes_more_than_its_packs(self, pieces: int, pack_g: float) -> None:
        confection = cones(pieces)
        for one in near_sizes(work_out(confection), {"cream35": pack_g}):
            if "pack" in one.says:
                made = at_size(confection, one.size)
                count = int(one.says.split()[0])
                self.assertLessEqual(made.parts[1].weigh[1].amount_g, count * pack_g + 1e-6)
                self.assertNotEqual(made.pieces, pieces)


class Suits(unittest.TestCase):
    def test_the_usual_thickness_suits_best_and_what_does_not_go_in_says_so(self) -> None:
        found = {name: suits(slab(vessel), 0, 900.0) for name, vessel in PANS.items()}
        self.assertEqual(min(found, key=lambda name: found[name].off), "usual")
        self.assertIsNone(found["tiny"].size)
        self.assertIn("thin", found["wide"].says)

    def test_a_batch_is_portioned_into_as_many_as_it_fills(self) -> None:
        shell, filling = cones(1).parts
        for vessel, parts in (
            (CONES, (shell, filling)),
            (CUPS, (filling,)),
            (BALLS, (replace(filling, role="centre"),)),
        ):
            confection = Confection(name="Many", form=Form(vessel=vessel), parts=parts)
            at = len(parts) - 1
            found = suits(confection, at, 300.0)
            assert found.size is not None and found.size.pieces is not None
            made = at_size(confection, found.size)
            self.assertLessEqual(made.parts[at].make_g, 300.0)
            self.assertGreater(made.parts[at].make_g * (1 + 1 / made.pieces), 300.0)
            self.assertIn(f"{made.pieces} pieces", found.says)

    def test_the_main_mix_is_what_there_is_most_of(self) -> None:
        layers = (Part(role="layer", of=DARK, mm=4.0), Part(role="layer", of=FUDGE, mm=12.0))
        worked = work_out(Confection(name="Two", form=Form(vessel=pan(200, 40)), parts=layers))
        found = main_part(worked)
        self.assertEqual(found and found[0], 1)


PANS = {"tiny": pan(60, 20), "usual": pan(200, 40), "wide": pan(400, 40)}


if __name__ == "__main__":
    unittest.main()
