"""Whole written recipes: title, ingredients, method, family and use; what nobody stated is proposed and marked."""

import unittest

from hearth_bowl.core.card.card import ReadCard, read_card
from hearth_bowl.core.errors import BadInput

FUDGE = """Comet-tail fudge

You will need:
397g tin condensed milk
400 g milk chocolate
25 g butter
a pinch of salt

Method:
1. Melt everything together over a low heat.
2. Pour into a lined tin and cut into squares once it is cold.
"""

BOILED = """# Old-lens fudge
450 g granulated sugar
300 ml whole milk
2 oz butter
Boil to soft ball, 114 °C, then cool and beat until it thickens.
"""

CHEESE = """Moon-rock bites
300 g biscuits, crushed
4 oz cream cheese
For rolling:
desiccated coconut
"""


def read(text: str, measure: str = "metric", family: str | None = None) -> ReadCard:
    return read_card(text, measure, family)


def said(found: ReadCard) -> list[str]:
    return [step.text for step in found.recipe.steps]


def done(found: ReadCard) -> list[str]:
    """Return the lines that became steps."""
    return sorted(line.text for line in found.lines if line.became == "step")


def keys(found: ReadCard) -> list[str | None]:
    return [line.ingredient.key for line in found.recipe.lines]


class Whole(unittest.TestCase):
    def test_title_lines_and_method(self) -> None:
        found = read(FUDGE)
        self.assertEqual(found.recipe.name, "Comet-tail fudge")
        self.assertEqual(keys(found), ["condensed_sweet", "milk33", "butter82", "salt"])
        self.assertEqual((found.recipe.family, found.recipe.use), ("condensed-milk-fudge", "cut"))
        self.assertEqual([step.kind for step in found.recipe.steps], ["melt", "pour", "cut"])
        self.assertAlmostEqual(found.recipe.amounts_g[0], 397)

    def test_a_boil_is_known_by_its_words(self) -> None:
        found = read(BOILED)
        self.assertEqual(found.recipe.name, "Old-lens fudge")
        self.assertEqual(found.recipe.family, "boiled-fudge")
        self.assertEqual(keys(found), ["sugar_granulated", "milk_whole", "butter82"])
        self.assertEqual([step.kind for step in found.recipe.steps], ["boil", "cool", "beat"])
        self.assertEqual(found.recipe.steps[0].to_c, 114)

    def test_what_nobody_stated_is_proposed_and_marked_as_ours(self) -> None:
        found = read(CHEESE)
        self.assertEqual(found.recipe.family, "soft-cheese")
        self.assertFalse(any(line.proposed for line in found.recipe.lines))
        assert found.confection is not None
        self.assertEqual([part.role for part in found.confection.parts], ["centre", "rolling"])
        coconut = read(CHEESE.replace("For rolling:\n", "")).recipe.lines[-1]
        self.assertEqual((coconut.ingredient.key, coconut.proposed), ("coconut_desiccated", True))
        self.assertGreater(coconut.amount_g, 0)

    def test_a_family_that_is_said_wins(self) -> None:
        self.assertEqual(read(CHEESE, family="filling").recipe.family, "filling")

    def test_families_by_what_is_in_them(self) -> None:
        for text, family in (
            ("200 g dark chocolate 60%\n100 g double cream", "cream-ganache"),
            ("200 g hazelnut paste\n200 g milk chocolate 33%", "nut-paste"),
            ("300 g white chocolate 28%\n90 g glucose syrup", "modelling"),
            ("120 g butter\n240 g icing sugar", "sugar-butter"),
            ("250 g dark chocolate 60%\n120 g butter", "butter-ganache"),
            ("400 g sugar\n170 g evaporated milk\n300 g dark chocolate 60%", "simmered-fudge"),
        ):
            with self.subTest(family):
                self.assertEqual(read(text).recipe.family, family)

    def test_doubts_stand_in_the_order_of_the_text_with_their_line(self) -> None:
        found = read("Bites\n\n3 oz cream\n200 g chocolate\nstar dust")
        lines = [unsure.line for unsure in found.unsure]
        self.assertEqual(lines, sorted(lines))
        self.assertEqual({unsure.line: unsure.text for unsure in found.unsure}[5], "star dust")

    def test_each_line_keeps_its_own_words_and_nothing_is_dropped_unsaid(self) -> None:
        found = read(FUDGE + "\n".join(["", "You will need:", "2 tbsp stardust xyz"]))
        self.assertEqual(found.recipe.lines[0].text, "397g tin condensed milk")
        self.assertTrue(all(line.text for line in found.recipe.lines))
        self.assertEqual(found.unread, ("2 tbsp stardust xyz",))
        self.assertIn("2 tbsp stardust xyz", [doubt.text for doubt in found.unsure])

    def test_a_range_stays_a_range(self) -> None:
        line = read("2 to 3 tbsp honey\n200 g dark chocolate 70%").recipe.lines[0]
        self.assertEqual((line.amount, line.amount_high), (2, 3))
        self.assertAlmostEqual(line.amount_g, 2.5 * 15 * 1.42)

    def test_cups_by_country(self) -> None:
        grams = {m: read("1 cup double cream", m).recipe.amounts_g[0] for m in ("us", "metric", "imperial", "au")}
        self.assertLess(grams["us"], grams["metric"])
        self.assertLess(grams["metric"], grams["imperial"])
        self.assertEqual(grams["metric"], grams["au"])

    def test_refusals(self) -> None:
        for text, measure, family, field in (
            ("Lorem ipsum dolor", "metric", None, "file"),
            ("", "metric", None, "file"),
            ("200 g cream", "lunar", None, "measure"),
            ("200 g cream", "metric", "toffee", "family"),
        ):
            with self.subTest(field=field), self.assertRaises(BadInput) as refused:
                read(text, measure, family)
            self.assertEqual(refused.exception.field, (field,))

    def test_a_card_in_one_line_is_taken_apart(self) -> None:
        words = "Peppermint creams: 1 lb icing sugar, 1 egg white; 3 drops mint oil. Mix, roll out and leave to dry."
        found = read(words, "metric", None)
        self.assertEqual(found.recipe.name, "Peppermint creams")
        rows = [(line.ingredient.key, line.amount, line.unit) for line in found.recipe.lines]
        self.assertEqual(rows, [("sugar_icing", 1.0, "lb"), ("egg_white", 1.0, "piece"), ("mint_oil", 3.0, "drop")])
        self.assertEqual(said(found), ["Mix", "roll out", "leave to dry."])
        (one,) = read("150 g hazelnuts, toasted and chopped, 2 kept back", "metric", None).recipe.lines
        self.assertEqual((one.ingredient.key, one.amount), ("hazelnut_whole", 150.0))

    def test_a_line_that_begins_with_what_to_do_is_method_and_a_count_is_no_ingredient(self) -> None:
        steps = (
            "Makes 36 eggs",
            "Boil the cream, pour over.",
            "Add the butter at 35 C.",
            "Then cook the sugar to 118C",
            "2. Chill the milk chocolate for 20 minutes",
            "Cut the fudge into 36 squares of 2 cm",
            "Dust with cocoa",
        )
        goes_in = (
            "115 g cream",
            "30 g butter",
            "200 g dark chocolate",
            "Mix 50 g honey with 20 g milk",
            "melted butter 20 g",
        )
        for order in (goes_in + steps, steps[1:] + goes_in + steps[:1]):
            found = read("\n".join(("Comet eggs", *order)))
            self.assertEqual(done(found), sorted(step for step in steps if not step.startswith("Makes")))
            self.assertEqual(found.makes and found.makes.pieces, 36)
            self.assertEqual({line.text for line in found.recipe.lines}, set(goes_in))
            self.assertNotIn("egg_whole", keys(found))
        found = read("Creams\n200 g sugar\nwarm milk, to taste\nset honey\nWarm the milk.\nSet in the fridge")
        self.assertEqual(
            [line.text for line in found.recipe.lines], ["200 g sugar", "warm milk, to taste", "set honey"]
        )
        self.assertEqual(said(found), ["Warm the milk.", "Set in the fridge"])

    def test_a_method_in_words_not_known_here_is_no_ingredient(self) -> None:
        method = "Zucker karamellisieren, Sahne zugeben, auf 118 °C kochen."
        found = read(f"Karamell\n200 g Zucker\n150 ml Sahne (30 %)\n{method}", "metric", None)
        self.assertEqual([line.ingredient.key for line in found.recipe.lines], ["sugar_granulated", "cream30"])
        self.assertEqual(said(found), ["Zucker karamellisieren", "Sahne zugeben", "auf 118 °C kochen."])
        strange = "100 g frobnicated gumbles, well chopped up."
        self.assertEqual(read(f"200 g sugar\n{strange}", "metric", None).unread, (strange,))
