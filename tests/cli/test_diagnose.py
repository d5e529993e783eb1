"""`diagnose`: a file of what is seen in, the causes, the question and the remedy out; what is wrong with it is
named."""

from typing import Any

from tests.cli.test_verbs import CommandLine

SEEN: dict[str, Any] = {
    "format": "hearth-bowl/seen",
    "version": 1,
    "recipe": {
        "format": "hearth-bowl/recipe",
        "version": 1,
        "name": "Nebula squares",
        "family": "cream-ganache",
        "use": "cut",
        "lines": [
            {"ingredient": "milk33", "amount": 400, "unit": "g"},
            {"ingredient": "cream35", "amount": 110, "unit": "g"},
        ],
    },
    "stage": "join",
    "seen": ["split"],
    "mass_g": 510,
    "now_c": 41,
    "facts": {"hottest_c": 44, "minutes": 15, "drops_of_water": None},
    "answers": {},
}


class Diagnose(CommandLine):
    def test_less_than_a_kitchen_weighs_is_refused_and_the_least_of_it_is_not(self) -> None:
        for mass_g in (1e-308, 5e-324, 0.0, 0.009):
            self.assertEqual(
                self.refused("diagnose", self.file("seen.json", {**SEEN, "mass_g": mass_g}))["field"], "mass_g"
            )
        self.assertEqual(self.seen(mass_g=0.01)["verdict"], "mend")

    def seen(self, **changes: Any) -> Any:
        return self.ok("diagnose", self.file("seen.json", {**SEEN, **changes}))

    def test_the_answer_has_all_its_keys_and_the_dose_of_the_handbook(self) -> None:
        found = self.seen()
        keys = {"verdict", "say", "causes", "ask", "remedy", "instead", "cautions"}
        self.assertLessEqual(keys, set(found))
        self.assertEqual((found["verdict"], found["causes"][0]["cause"]), ("mend", "too-much-fat-for-water"))
        self.assertAlmostEqual(sum(cause["share"] for cause in found["causes"]), 1.0)
        self.assertEqual(set(found["remedy"]), {"do", "add", "work_c", "then"})
        (add,) = found["remedy"]["add"]
        self.assertEqual(add["ingredient"], "milk_whole")
        self.assertAlmostEqual(add["g"], 33, delta=0.5)
        self.assertIsNone(found["ask"])
        self.assertNotIn("⟦", str(found))

    def test_what_is_not_known_is_asked_and_an_answer_of_yes_or_no_is_taken(self) -> None:
        open_ = self.seen(now_c=None, facts={}, seen=["grainy"], answers=None)
        self.assertEqual(set(open_["ask"]), {"key", "question", "options", "why"})
        self.assertIn("not sure", open_["ask"]["options"])
        fudge = {**SEEN["recipe"], "family": "boiled-fudge", "lines": [
            {"ingredient": "sugar_granulated", "amount": 450, "unit": "g", "stage": "boil"},
            {"ingredient": "milk_whole", "amount": 300, "unit": "g", "stage": "boil"},
        ]}  # fmt: skip
        stirred = self.seen(
            recipe=fudge, stage="set", seen=["gritty"], facts={}, answers={"stirred_while_cooling": True}
        )
        self.assertEqual(stirred["causes"][0]["cause"], "stirred-while-hot")
        self.assertEqual(
            self.seen(facts={"drops_of_water": True}, seen=["seized"], stage="melt")["causes"][0]["cause"],
            "water-drops",
        )

    def test_what_passes_has_no_remedy_and_what_spoiled_no_question(self) -> None:
        passing = self.seen(seen=["curdled"], facts={"minutes": 1, "hottest_c": 44})
        self.assertEqual((passing["verdict"], passing["remedy"]), ("passes", None))
        spoiled = self.seen(stage="keep", seen=["mouldy"], facts={"days": 9})
        self.assertEqual((spoiled["verdict"], spoiled["ask"], spoiled["remedy"]), ("start-again", None, None))
        self.assertTrue(spoiled["cautions"][0]["message"])

    def test_refusals_name_the_field(self) -> None:
        for changes, field in (
            ({"format": "other"}, "format"),
            ({"stage": "dawn"}, "stage"),
            ({"stage": None}, "stage"),
            ({"seen": []}, "seen"),
            ({"seen": ["odd"]}, "seen[0]"),
            ({"seen": "split"}, "seen"),
            ({"mass_g": -1}, "mass_g"),
            ({"now_c": "warm"}, "now_c"),
            ({"facts": {"weather": 3}}, "facts.weather"),
            ({"facts": {"hottest_c": "hot"}}, "facts.hottest_c"),
            ({"facts": {"tempered": 1}}, "facts.tempered"),
            ({"facts": []}, "facts"),
            ({"facts": {"hottest_c": 4000}}, "facts.hottest_c"),
            ({"answers": {"mood": "good"}}, "answers.mood"),
            ({"recipe": None}, "recipe"),
            ({"recipe": {**SEEN["recipe"], "family": "toffee"}}, "recipe.family"),
        ):
            with self.subTest(field, changes=changes):
                self.assertEqual(self.refused("diagnose", self.file("seen.json", {**SEEN, **changes}))["field"], field)
