"""Lines put together at random from how people write amounts and names: read as they were meant, or doubtful."""

import unittest
from dataclasses import dataclass

from hypothesis import given, settings
from hypothesis import strategies as st

from hearth_bowl.core.ingredients.library import LIBRARY
from hearth_bowl.core.recipe.measures import MEASURES_ML, unit_g
from hearth_bowl.core.recipe.written.lines import checked_line

NUMBERS = (
    ("1", 1), ("2", 2), ("3", 3), ("12", 12), ("250", 250), ("0.5", 0.5), ("2,5", 2.5), ("1.25", 1.25), ("1/2", 0.5),
    ("3/4", 0.75), ("1 1/2", 1.5), ("2-1/4", 2.25), ("½", 0.5), ("1½", 1.5), ("2 ⅓", 2 + 1 / 3), (".75", 0.75),
    ("one", 1), ("two", 2), ("half a", 0.5), ("a", 1), ("1 000", 1000), ("1,500", 1500),
)  # fmt: skip
UNITS = (
    ("g", "g", 1), ("grams", "g", 1), ("kg", "kg", 1), ("oz", "oz", 1), ("ounces", "oz", 1), ("lb", "lb", 1),
    ("pounds", "lb", 1), ("ml", "ml", 1), ("cl", "ml", 10), ("dl", "ml", 100), ("litres", "l", 1), ("cup", "cup", 1),
    ("cups", "cup", 1), ("tbsp", "tbsp", 1), ("tablespoons", "tbsp", 1), ("Tbsp.", "tbsp", 1), ("tsp", "tsp", 1),
    ("teaspoon", "tsp", 1), ("fl oz", "floz", 1), ("pint", "pint", 1), ("EL", "tbsp", 1), ("TL", "tsp", 1),
    ("cuillères à soupe", "tbsp", 1), ("c. à café", "tsp", 1), ("cucchiai", "tbsp", 1), ("cucharadas", "tbsp", 1),
    ("colheres de sopa", "tbsp", 1), ("xícara", "cup", 1), ("Tassen", "cup", 1), ("gramos", "g", 1), ("Gramm", "g", 1),
)  # fmt: skip
"""A unit as it is written, the unit that is meant, and how many of it."""
NAMES = (
    ("double cream", "cream48"), ("heavy cream", "cream35"), ("unsalted butter, softened", "butter82"),
    ("caster sugar", "sugar_caster"), ("icing sugar, sifted", "sugar_icing"), ("dark chocolate (70 %)", "dark70"),
    ("milk chocolate 38%, chopped", "milk38"), ("clear honey", "honey"), ("dark rum", "rum40"),
    ("whole milk", "milk_whole"),
    ("toasted hazelnuts", "hazelnut_whole"), ("ground almonds", "almond_ground"), ("cocoa powder", "cocoa_powder_21"),
    ("golden syrup", "golden_syrup"), ("liquid glucose", "glucose_syrup40"), ("vanilla extract", "vanilla_extract"),
    ("Puderzucker", "sugar_icing"), ("gemahlene Mandeln", "almond_ground"), ("beurre doux", "butter82"),
    ("lait entier", "milk_whole"), ("burro", "butter82"), ("panna fresca", "cream35"), ("azúcar", "sugar_granulated"),
    ("manteiga sem sal", "butter82"), ("leche entera", "milk_whole"), ("noisettes", "hazelnut_whole"),
)  # fmt: skip
SHAPES = (
    "{much} {unit} {name}", "{much} {unit} of {name}", "{much} {unit}  {name}", "• {much} {unit} {name}",
    "- {much} {unit} {name}", "about {much} {unit} {name}", "{name}, {much} {unit}", "{name}: {much} {unit}",
    "{name} – {much} {unit}", "{name} ({much} {unit})", "{name} {much} {unit}", "{much} {unit} {name} (optional)",
    "{much} {unit} {name}, plus extra for the tin", "{much} {unit} {name} x 2", "2 x {much} {unit} {name}",
    "{much} {unit} de {name}", "{much} {unit} {name}, divided", "scant {much} {unit} {name}", "{much}{unit} {name}",
)  # fmt: skip


@dataclass(frozen=True, slots=True)
class Meant:
    text: str
    key: str
    grams: float
    measure: str


@st.composite
def lines(draw: st.DrawFn) -> Meant:
    shape, (said, number) = draw(st.sampled_from(SHAPES)), draw(st.sampled_from(NUMBERS))
    (word, unit, times), (name, key) = draw(st.sampled_from(UNITS)), draw(st.sampled_from(NAMES))
    measure = draw(st.sampled_from(sorted(MEASURES_ML)))
    twice = 2 if "2 x" in shape or "x 2" in shape else 1
    grams = number * times * unit_g(LIBRARY[key], unit, measure) * twice
    return Meant(shape.format(much=said, unit=word, name=name), key, grams, measure)


class AnyLine(unittest.TestCase):
    @settings(max_examples=1000, deadline=None, derandomize=True)
    @given(lines())
    def test_a_line_is_read_as_it_was_meant_or_is_doubtful(self, meant: Meant) -> None:
        read = checked_line(meant.text, meant.measure)
        if read.doubts:
            return
        self.assertEqual(read.key, meant.key)
        assert read.amount is not None
        assert read.key is not None
        grams = read.amount * unit_g(LIBRARY[read.key], read.unit, meant.measure, read.pack_g, read.piece_g)
        self.assertAlmostEqual(grams, meant.grams, delta=0.05 * meant.grams)

    def test_a_plain_line_is_read_without_a_doubt(self) -> None:
        for name, key in NAMES:
            for said, number in (("250", 250), ("2,5", 2.5), ("1 1/2", 1.5), ("½", 0.5)):
                for word, unit, times in UNITS:
                    with self.subTest(f"{said} {word} {name}"):
                        read = checked_line(f"{said} {word} {name}", "us")
                        self.assertEqual((read.key, [one for one in read.doubts if one[-1] != "?"]), (key, []))
                        grams = (read.amount or 0) * unit_g(LIBRARY[key], read.unit, "us")
                        self.assertAlmostEqual(grams, number * times * unit_g(LIBRARY[key], unit, "us"), places=3)


if __name__ == "__main__":
    unittest.main()
