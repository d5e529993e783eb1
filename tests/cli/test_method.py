"""The verb `method` as the contract has it: acts of a recipe and of a confection, choices and refusals."""

from collections import Counter
from typing import Any

from hearth_bowl.core.recipe.steps import ACTS
from tests.cli.test_confections import EGGS
from tests.cli.test_verbs import CommandLine

CARAMEL: dict[str, Any] = {
    "format": "hearth-bowl/recipe",
    "version": 1,
    "name": "Dew caramels",
    "family": "caramel",
    "use": "cut",
    "lines": [
        {"ingredient": key, "amount": amount, "unit": "g", "stage": "boil"}
        for key, amount in (("sugar_caster", 400), ("glucose_syrup40", 300), ("cream48", 400), ("butter82", 50))
    ],
    "steps": [{"text": "Boil everything to 112 °C, stirring.", "kind": "boil", "to_c": 112}],
}
ACT = (
    "id", "kind", "of", "title", "do", "cue", "ask", "why", "passes", "target_c", "ceiling_c", "gate_min", "minutes",
    "hands", "takes", "after", "uses", "cautions", "out_of_cold", "from_card", "advice",
)  # fmt: skip


CODES = {
    "hot-sugar", "hot-cream-into-caramel", "rising-cream", "microwave", "raw-egg", "egg-cooked", "alcohol-flame",
    "gelatine",
    "steam", "glass", "knife", "allergen-change",
}  # fmt: skip


class MethodVerb(CommandLine):
    def test_a_recipe_with_its_card(self) -> None:
        found = self.ok("method", self.file("caramel.json", CARAMEL), "--altitude-m", "1500")
        for act in found["acts"]:
            self.assertTrue(set(ACT) <= set(act))
            self.assertIn(act["kind"], ACTS)
            self.assertTrue(set(act["cautions"]) <= CODES)
        boil = next(act for act in found["acts"] if act["kind"] == "boil")
        self.assertEqual((boil["do"], boil["from_card"]), ("Boil everything to 112 °C, stirring.", True))
        self.assertLess(boil["target_c"][1], 108)
        (differs,) = found["differs"]
        self.assertEqual((differs["act"], differs["card_c"]), (boil["id"], 112))
        self.assertIn("altitude", differs["message"])
        hands = sum(act["minutes"][1] for act in found["acts"] if act["hands"])
        self.assertAlmostEqual(found["hands_min"], hands)
        self.assertGreater(found["elapsed_min"], hands)
        ours = self.ok("method", self.file("caramel.json", CARAMEL), "--choice", "target=ours")
        self.assertGreater(next(act for act in ours["acts"] if act["kind"] == "boil")["target_c"][0], 116)

    def test_a_confection_takes_what_it_weighs_and_melts(self) -> None:
        file = self.file("eggs.json", EGGS)
        found, whole = (
            self.ok("method", file, "--choice", "temper=slab", "--kitchen-c", "24"),
            self.ok("confection", file),
        )
        taken = Counter[str]()
        for act in found["acts"]:
            for take in act["takes"]:
                taken[take["ingredient"]] += take["g"]
        wanted = Counter[str]()
        for part in whole["parts"]:
            if part["role"] != "shell":
                wanted.update({row["ingredient"]: row["amount_g"] for row in part["weigh"]})
        wanted.update({row["ingredient"]: row["melt_g"] for row in whole["chocolate"]})
        self.assertEqual(set(taken), set(wanted))
        for name, grams in wanted.items():
            self.assertAlmostEqual(taken[name], grams, delta=1e-6 * max(1.0, grams), msg=name)
        self.assertEqual(sum(act["kind"] == "shell" for act in found["acts"]), whole["turns"])
        self.assertTrue(any(act["id"].startswith("temper-warm") for act in found["acts"]))
        parts = {f"{part['role']}: {part['name']}" for part in whole["parts"]}
        self.assertTrue(all(set(act["of"]) <= parts for act in found["acts"]))

    def test_what_is_wrong_is_named(self) -> None:
        file = self.file("caramel.json", CARAMEL)
        for field, arguments in (
            ("choice", ("--choice", "temper")),
            ("hat", ("--choice", "hat=red")),
            ("temper", ("--choice", "temper=oven")),
            ("kitchen_c", ("--kitchen-c", "80")),
        ):
            self.assertEqual(self.refused("method", file, *arguments)["field"], field)
        self.refused("method", self.file("odd.json", {**CARAMEL, "lines": []}))
