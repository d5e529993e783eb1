"""Odd calls of every verb: what is no number, or lies outside, is refused by its option's name."""

import json
import unittest
from typing import Any

from hypothesis import given, settings
from hypothesis import strategies as st

from tests.cli.test_verbs import MOULD, PAN, CommandLine
from tests.kitchen import recipe_record

FUDGE = recipe_record(
    family="boiled-fudge",
    use="cut",
    lines=[{"ingredient": "sugar_granulated", "amount": 450}, {"ingredient": "milk_whole", "amount": 300}],
)
NO_NUMBERS = ("nan", "inf", "-inf", "1e999", "ten", "", "1,5,7", "0x10")
WORDS = {
    "--stage",
    "--shell",
    "--rolling",
    "--halves",
    "--measure",
    "--family",
    "--how",
    "--place",
    "--base",
    "--cover",
}
"""Options that take a word, or nothing."""


class OddCalls(CommandLine):
    def calls(self) -> dict[str, tuple[str, ...]]:
        """Return of each verb with numbers a call that is answered."""
        recipe, fudge = self.file("recipe.json", recipe_record()), self.file("fudge.json", FUDGE)
        return {
            "assess": ("assess", recipe),
            "alcohol": ("alcohol", "--ml", "35", "--abv", "40", "--how", "hot", "--batch-g", "450"),
            "fit": ("fit", recipe, self.file("mould.json", {"format": "hearth-bowl/vessel", "version": 1, **MOULD})),
            "boil": ("boil", fudge, "--to-c", "114"),
            "cool": ("cool", "--thickness-mm", "16", "--from-c", "36", "--to-c", "18", "--place", "fridge"),
            "temper": ("temper", "dark60"),
        }

    def options(self) -> dict[str, list[str]]:
        """Return the options of each verb that take numbers."""
        verbs = self.ok("verbs")["verbs"]
        return {verb["name"]: [name for name in verb["options"] if name not in WORDS] for verb in verbs}

    def test_each_call_is_answered_before_it_is_made_odd(self) -> None:
        for call in self.calls().values():
            self.ok(*call)

    def test_what_is_no_number_is_refused_by_the_name_of_its_option(self) -> None:
        options = self.options()
        for verb, call in self.calls().items():
            for option in options[verb]:
                for text in NO_NUMBERS:
                    with self.subTest(verb=verb, option=option, text=text):
                        error = self.refused(*call, f"{option}={text}")
                        self.assertIn(error["field"].split(".")[0], (field_of(option), "arguments"))
                        self.assertTrue(error["message"] and error["allowed"])

    def test_what_lies_far_outside_is_refused_or_answered_in_finite_numbers(self) -> None:
        options = self.options()
        for verb, call in self.calls().items():
            for option in options[verb]:
                for text in ("-1e9", "-1", "0", "1e9"):
                    with self.subTest(verb=verb, option=option, text=text):
                        code, out, error = self.run_verb(*call, f"{option}={text}")
                        self.assertIn(code, (0, 2))
                        self.assertEqual(out is None, error is not None)
                        self.assertNotIn("NaN", json.dumps(out))

    def test_an_unknown_option_and_a_missing_file_are_named(self) -> None:
        for call in self.calls().values():
            self.assertEqual(self.refused(*call, "--no-such-thing", "1")["field"], "arguments")
        for verb, field in (("assess", "recipe"), ("fit", "recipe"), ("boil", "recipe")):
            vessel = (self.file("pan.json", PAN),) if verb == "fit" else ()
            self.assertEqual(self.refused(verb, "/no/such/file.json", *vessel)["field"], field)

    @settings(max_examples=60, deadline=None)
    @given(
        st.dictionaries(
            st.sampled_from(["kind", "shape", "radius_mm", "cavities", "format", "version", "name"]),
            st.one_of(
                st.none(), st.booleans(), st.integers(-3, 3), st.text(max_size=6), st.lists(st.integers(), max_size=2)
            ),
            min_size=1,
            max_size=3,
        )
    )
    def test_any_vessel_file_is_answered_or_refused_by_its_field(self, changes: dict[str, Any]) -> None:
        recipe = self.file("recipe.json", recipe_record())
        vessel = self.file("vessel.json", {"format": "hearth-bowl/vessel", "version": 1, **MOULD, **changes})
        code, out, error = self.run_verb("fit", recipe, vessel)
        self.assertIn(code, (0, 2))
        if code == 2:
            self.assertTrue(error["error"]["field"])
        else:
            self.assertGreater(out["batch_g"], 0)


def field_of(option: str) -> str:
    """Return the field that an option's name stands for."""
    return option.removeprefix("--").replace("-", "_")


if __name__ == "__main__":
    unittest.main()
