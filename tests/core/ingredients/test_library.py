"""The ingredient library holds every reference row, and each row is sound."""

import csv
import unittest
from pathlib import Path

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.ingredients.components import COMPONENTS
from hearth_bowl.core.ingredients.ingredient import own_ingredient
from hearth_bowl.core.ingredients.library import LIBRARY, find
from hearth_bowl.core.sources import SOURCES
from tests.kitchen import RYE_MALT, bowl

REFERENCE = Path(__file__).parent / "reference_ingredients.csv"


class Library(unittest.TestCase):
    def test_holds_every_row_of_the_reference_table(self) -> None:
        with REFERENCE.open(newline="") as file:
            rows = list(csv.DictReader(file))
        self.assertEqual(len(rows), 89)
        for row in rows:
            with self.subTest(row["key"]):
                own = LIBRARY[row["key"]]
                for name, pct in own.composition_pct.items():
                    self.assertEqual(pct, float(row[f"{name}_pct"]), name)
                self.assertEqual(own.kind, row["kind"])
                self.assertEqual(own.other_fat_kind, row["other_fat_kind"] or "oil")
                self.assertEqual(own.density_g_per_ml, float(row["density_g_per_ml"]))
                self.assertEqual(own.spoon_g_per_ml, float(row["spoon_g_per_ml"]))
                self.assertEqual(own.density_is_bulk, row["density_is_bulk"] == "1")
                self.assertEqual(own.allergens, tuple(row["allergens"].split()))
                self.assertEqual(own.allergens_named, tuple(row["allergens_named"].split()))
                self.assertAlmostEqual(own.energy_kcal_per_100g, float(row["energy_kcal_per_100g"]), delta=0.501)
                if row["higher_molar_mass_g_per_mol"]:
                    self.assertEqual(own.higher_molar_mass_g_per_mol, float(row["higher_molar_mass_g_per_mol"]))

    def test_every_row_sums_to_100_has_a_label_a_known_source_and_a_spread(self) -> None:
        for key, row in LIBRARY.items():
            with self.subTest(key):
                self.assertAlmostEqual(sum(row.composition_pct.values()), 100, places=9)
                self.assertEqual(set(row.composition_pct), set(COMPONENTS))
                self.assertNotIn("_", row.name)
                self.assertIn(row.source, SOURCES)
                self.assertTrue(row.spread)

    def test_dark_chocolate_is_its_label_percentage_of_cocoa(self) -> None:
        for pct in (50, 55, 60, 64, 70, 80):
            parts = find(f"dark{pct}").composition_pct
            cocoa = parts["cocoa_butter"] + parts["cocoa_nonfat"] + parts["water"]
            self.assertAlmostEqual(cocoa, pct, delta=0.51)

    def test_density_by_components_is_near_the_kitchen_density_of_poured_things(self) -> None:
        for key, row in LIBRARY.items():
            if row.density_is_bulk or key in ("lecithin", "clove_oil", "cinnamon_oil"):
                continue
            with self.subTest(key):
                by_parts = bowl(**{key: 100}).density_g_per_ml
                self.assertAlmostEqual(by_parts / row.density_g_per_ml, 1, delta=0.036)

    def test_glucose_syrups_have_the_mean_molar_mass_of_their_dextrose_equivalent(self) -> None:
        for key, equivalent in (("glucose_syrup40", 40), ("glucose_syrup60", 60), ("corn_syrup_light", 42)):
            row = LIBRARY[key]
            parts = row.composition_pct
            dry = parts["glucose"] + parts["maltose"] + parts["higher"]
            moles = parts["glucose"] / 180.16 + parts["maltose"] / 342.3
            moles += parts["higher"] / row.higher_molar_mass_g_per_mol
            self.assertAlmostEqual(dry / moles, 18016 / equivalent, delta=0.01 * 18016 / equivalent)

    def test_an_unknown_key_is_refused_with_near_ones(self) -> None:
        with self.assertRaises(BadInput) as caught:
            find("dark61")
        self.assertIn("dark60", caught.exception.allowed)


class OwnIngredient(unittest.TestCase):
    def test_label_rounding_up_to_half_a_per_cent_is_spread_so_that_masses_close(self) -> None:
        own = own_ingredient(name="Malt", composition_pct={"water": 5, "other": 94.6}, density_g_per_ml=0.5)
        self.assertAlmostEqual(sum(own.composition_pct.values()), 100, places=9)

    def test_what_does_not_fit_is_refused_by_field(self) -> None:
        cases = (
            ({"composition_pct": {"water": 5, "other": 92}}, ("composition_pct",)),
            ({"composition_pct": {"water": 5, "starch": 95}}, ("composition_pct", "starch")),
            ({"composition_pct": {"water": -5, "other": 105}}, ("composition_pct", "water")),
            ({"composition_pct": {"water": float("nan"), "other": 95}}, ("composition_pct", "water")),
            ({"density_g_per_ml": 0}, ("density_g_per_ml",)),
            ({"density_g_per_ml": True}, ("density_g_per_ml",)),
            ({"kind": "toffee"}, ("kind",)),
            ({"other_fat_kind": "lard"}, ("other_fat_kind",)),
            ({"allergens": ("milk", "dust")}, ("allergens", 1)),
            ({"pack_g": 0}, ("pack_g",)),
            ({"energy_kcal_per_100g": 1e308}, ("energy_kcal_per_100g",)),
        )
        good = {name: RYE_MALT[name] for name in ("name", "composition_pct", "density_g_per_ml")}
        for change, field in cases:
            with self.subTest(change), self.assertRaises(BadInput) as caught:
                own_ingredient(**{**good, **change})
            self.assertEqual(caught.exception.field, field)
            self.assertTrue(caught.exception.allowed)
