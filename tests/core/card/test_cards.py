"""Whole cards in seven kitchens, read as a careful cook would; nothing that they say is lost, in whatever order."""

import json
import random
import re
import unittest
from pathlib import Path
from typing import Any

from hearth_bowl.core.assess.assess import assess
from hearth_bowl.core.card.card import ReadCard, read_card
from hearth_bowl.core.confection.work_out import work_out
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.method.method import method_of_recipe
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.recipe.steps import CardStep
from hearth_bowl.formats.confection_file import confection_from
from hearth_bowl.formats.recipe_file import recipe_from
from hearth_bowl.formats.written_file import written_answer
from tests.core.card.expected import EXPECTED, Expected
from tests.counts import trials

CARDS = Path(__file__).parent / "cards.txt"


def cards() -> list[tuple[str, str, str]]:
    """Return each card: the job, the kitchen, the text."""
    blocks = re.split(r"^## ", CARDS.read_text(encoding="utf-8"), flags=re.MULTILINE)[1:]
    found = []
    for block in blocks:
        head, text = block.split("\n", 1)
        job, kitchen = head.split()
        found.append((job, kitchen, text))
    return found


def told(steps: tuple[CardStep, ...], name: str) -> list[float]:
    """Return the low ends of what steps tell of a temperature or time."""
    values = [getattr(step, name) for step in steps]
    return [round(value[0] if isinstance(value, tuple) else value, 1) for value in values if value is not None]


ENDS = {
    "caramel": (
        118,
        "Night-sky caramels\n400 g sugar\n300 g glucose syrup\n400 g double cream\n50 g butter\nBoil to 118 °C.",
    ),
    "fruit-jelly": (
        106,
        "Raspberry jellies\n500 g raspberry puree\n500 g sugar\n12 g pectin\nBoil to 106 °C.\nPour into a tin.",
    ),
    "aerated": (
        115,
        "Cloud marshmallows\n20 g gelatine\n100 g water\n400 g sugar\n150 g glucose syrup\nBoil to 115 °C.\nBeat it.",
    ),
    "curd": (
        84,
        "Lemon curd\n150 g egg\n100 g lemon juice\n150 g sugar\n100 g butter\nCook it all to 84 °C, stirring.",
    ),
    "hard-sugar": (
        150,
        "Moon honeycomb\n300 g sugar\n100 g glucose syrup\n50 g water\n10 g bicarbonate of soda\nBoil to 150 °C.",
    ),
}
"""Cards, and the temperature that each is cooked to."""


class Cards(unittest.TestCase):
    def test_a_card_gets_its_family_and_keeps_its_temperature(self) -> None:
        for family, (ends_c, text) in ENDS.items():
            recipe = read_card(text, "metric").recipe
            cooked = [act for act in method_of_recipe(recipe, {}, Kitchen()).acts if act.kind in ("boil", "cook")]
            self.assertEqual((recipe.family, len(cooked)), (family, 1))
            self.assertAlmostEqual(sum(cooked[0].target_c or ()) / 2, ends_c, places=3)

    def test_each_card_is_read_as_a_careful_cook_would(self) -> None:
        self.assertGreaterEqual(len(cards()), 90)
        for job, kitchen, text in cards():
            with self.subTest(f"{job} {kitchen}"):
                self._check(read_card(text, "us" if kitchen == "us" else "metric"), EXPECTED[job])

    def _check(self, card: ReadCard, expected: Expected) -> None:
        made = card.confection
        assert made is not None
        self.assertEqual(card.unread, ())
        vessel = {name: card.vessel.get(name) for name in expected.vessel}
        for name, value in expected.vessel.items():
            if isinstance(value, str):
                self.assertEqual(vessel[name], value, name)
            else:
                self.assertAlmostEqual(float(vessel[name] or 0), value, delta=2.5, msg=name)
        self.assertEqual(made.form.pieces, expected.pieces)
        self.assertEqual(made.form.piece_mm and made.form.piece_mm[0], expected.piece_mm)
        self.assertEqual(made.form.halves, expected.halves)
        self.assertEqual([part.role for part in made.parts], [role for role, _ in expected.parts])
        families = [part.of.family for part in made.parts if isinstance(part.of, Recipe)]
        self.assertEqual(families, expected.families)
        steps: tuple[CardStep, ...] = ()
        for part, (role, of) in zip(made.parts, expected.parts, strict=True):
            self._of(part.of, of)
            self.assertTrue(part.text)
            steps += part.of.steps if isinstance(part.of, Recipe) else ()
            for name, value in ((expected.said or {}).get(role) or {}).items():
                if part is next(one for one in made.parts if one.role == role):
                    self.assertAlmostEqual(getattr(part, name), value, delta=0.2)
        for name, values in (("to_c", expected.to_c), ("minutes", expected.minutes)):
            found = told((*steps, *made.steps), name)
            self.assertEqual(len(found), len(values), (name, found))
            for one, value in zip(found, values, strict=True):
                self.assertAlmostEqual(one, value, delta=0.6, msg=name)
        self.assertTrue(work_out(made).pieces)

    def _of(self, of: object, expected: str | dict[str, float]) -> None:
        if isinstance(expected, str):
            assert isinstance(of, Ingredient)
            self.assertIn(of.key, expected.split("|"))
            return
        assert isinstance(of, Recipe)
        found = {str(line.ingredient.key): round(line.amount_g, 1) for line in of.lines}
        self.assertEqual(len(found), len(expected), found)
        for keys, grams in expected.items():
            key = next((key for key in keys.split("|") if key in found), None)
            self.assertIsNotNone(key, f"{keys} in {found}")
            self.assertAlmostEqual(found[str(key)], grams, delta=1.0)

    def test_no_number_of_a_shuffled_card_is_lost(self) -> None:
        chance = random.Random(25)
        for _ in range(trials(100)):
            job, kitchen, text = chance.choice(cards())
            lines = shuffled(text, chance)
            with self.subTest(f"{job} {kitchen}", lines=lines):
                self.assertEqual(lost(lines, read_card("\n".join(lines), "metric")), [])

    def test_what_is_read_is_always_taken_by_what_works_it_out(self) -> None:
        chance = random.Random(26)
        lines = sorted({line for _, _, text in cards() for line in text.splitlines()})
        for _ in range(trials(120)):
            text = "\n".join(["Star sweets", *(chance.choice(lines) for _ in range(chance.randint(2, 14)))])
            with self.subTest(text):
                try:
                    card = read_card(text, "metric")
                except BadInput as refused:
                    self.assertIn("ingredient", refused.message)
                    continue
                answer = json.loads(json.dumps(written_answer(card)))
                assess(recipe_from(answer["recipe"]), 20)
                assert card.made is not None
                if answer["confection"] is not None:
                    self.assertGreaterEqual(work_out(confection_from(answer["confection"])).pieces, 1)


def shuffled(text: str, chance: random.Random) -> list[str]:
    """Return a card's lines with those between its title, headings and method in another order."""
    lines, block, found = text.splitlines(), [], []
    for number, line in enumerate(lines):
        if number == 0 or not re.search(r"\d", line):
            chance.shuffle(block)
            found += [*block, line]
            block = []
        else:
            block.append(line)
    chance.shuffle(block)
    return [*found, *block]


def lost(lines: list[str], card: ReadCard) -> list[str]:
    """Return the numbers of a card that stand in nothing that it was read as."""
    kept: list[Any] = [*(card.makes.texts if card.makes else []), *card.unread, card.recipe.name]
    made = card.made
    recipes = [card.recipe, *(part.of for part in made.parts if isinstance(part.of, Recipe))] if made else [card.recipe]
    kept += [line.text for recipe in recipes for line in recipe.lines]
    kept += [step.text for recipe in recipes for step in recipe.steps]
    kept += [part.text for part in made.parts] + [step.text for step in made.steps] if made else []
    kept += [line.text for line in card.lines if line.became == "left-out" and line.because]
    kept += [line.text for line in card.lines if line.became == "heading"]
    there = set(re.findall(r"\d+(?:[.,]\d+)?", "\n".join(kept)))
    plain = [re.sub(r"^\d+\. ", "", line) for line in lines]  # a step's own number says nothing
    return [number for line in plain for number in re.findall(r"\d+(?:[.,]\d+)?", line) if number not in there]


if __name__ == "__main__":
    unittest.main()
