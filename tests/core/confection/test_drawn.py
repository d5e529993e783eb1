"""Pieces as they are drawn: the levels, the outside and the colour of what each part is of."""

import unittest

from hearth_bowl.core.confection.confection import Confection, Form, Part
from hearth_bowl.core.confection.drawn import drawn_piece
from hearth_bowl.core.confection.work_out import work_out
from hearth_bowl.core.fit.vessel import checked_vessel
from hearth_bowl.core.ingredients.library import find
from hearth_bowl.core.solve.starters import starter

SPHERE = {"kind": "mould", "shape": "hemisphere", "radius_mm": 25.0, "cavities": 12}


class Drawn(unittest.TestCase):
    def drawn(self, vessel: dict[str, object], *parts: Part, **form: object) -> object:
        made = checked_vessel(str(vessel["kind"]), str(vessel.get("shape", "")), vessel)
        return drawn_piece(
            work_out(Confection(name="x", form=Form(vessel=made, **form), parts=parts))  # type: ignore[arg-type]
        )

    def test_what_is_dry_fills_the_lower_half_alone_and_what_flows_both(self) -> None:
        shell = Part(role="shell", of=find("dark60"), wall_mm=2.0)
        dry = Part(role="filling", of=starter("dry-mix", None), g_each=12.0)
        soft = Part(role="filling", of=starter("cream-ganache", "pipe"))
        self.assertTrue(self.drawn(SPHERE, shell, dry, halves=True).lower_half_only)  # type: ignore[attr-defined]
        flows = self.drawn(SPHERE, shell, soft, halves=True)
        self.assertFalse(flows.lower_half_only)  # type: ignore[attr-defined]
        self.assertTrue(flows.halves)  # type: ignore[attr-defined]

    def test_a_coat_grows_the_ball_and_dark_chocolate_is_darker_than_milk_and_white(self) -> None:
        centre = Part(role="centre", of=starter("cream-ganache", "roll"))
        ball = {"kind": "pieces", "shape": "ball", "piece_g": 12.0}
        bare = self.drawn(ball, centre, pieces=10)
        found = [
            self.drawn(ball, centre, Part(role="coat", of=find(key), mm=1.0), pieces=10)
            for key in ("dark60", "milk38", "white32")
        ]
        for one in found:
            self.assertAlmostEqual(one.sides_mm[0], bare.sides_mm[0] + 2.0, places=6)  # type: ignore[attr-defined]
        cocoa = [one.parts[-1].tint.cocoa for one in found]  # type: ignore[attr-defined]
        self.assertTrue(cocoa[0] > cocoa[1] > cocoa[2] == 0)
