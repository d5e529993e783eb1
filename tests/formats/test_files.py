"""Files in and out: what is written can be read again, schemas and reader agree, and odd bytes are refused by name."""

import json
import unittest
from typing import Any

from hypothesis import given
from hypothesis import strategies as st
from jsonschema import Draft202012Validator

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.ingredients.library import LIBRARY
from hearth_bowl.core.recipe.families import FAMILY
from hearth_bowl.core.recipe.recipe import AIMED_INDEX, FAMILIES
from hearth_bowl.formats.aims_file import read_aims
from hearth_bowl.formats.larder_csv import read_larder, write_larder
from hearth_bowl.formats.recipe_file import read_recipe, recipe_from, recipe_record
from hearth_bowl.formats.schemas import recipe_schema, vessel_schema
from hearth_bowl.formats.strict_json import read_json
from hearth_bowl.formats.vessel_file import read_vessel
from hearth_bowl.formats.written_file import read_written_text
from tests.kitchen import RYE_MALT
from tests.kitchen import recipe_record as example

LINES = st.fixed_dictionaries(
    {"ingredient": st.sampled_from([*sorted(LIBRARY), RYE_MALT]), "amount": st.floats(0.1, 5000)},
    optional={
        "unit": st.sampled_from(["g", "kg", "oz", "lb", "ml", "tsp", "tbsp", "cup", "pinch", "drop", "floz"]),
        "measure": st.sampled_from(["metric", "us", "imperial", "au"]),
        "stage": st.sampled_from(["", "warm", "late", "after the comet"]),
        "pinned": st.booleans(),
        "proposed": st.booleans(),
    },
)
RECORDS = st.fixed_dictionaries(
    {
        "name": st.text(st.characters(exclude_categories=["Cs", "Cc"]), min_size=1, max_size=40).filter(str.strip),
        "family": st.sampled_from(sorted(FAMILIES)),
        "use": st.sampled_from([None, *AIMED_INDEX]),
        "lines": st.lists(LINES, min_size=1, max_size=6),
        "steps": st.lists(st.text(max_size=20), max_size=3),
    }
)
CELLS = st.one_of(st.none(), st.floats(0.5, 9999).map(lambda value: round(value, 2)))
PACKS = st.lists(st.tuples(st.integers(1, 5000).map(float), CELLS), max_size=3)


class Recipes(unittest.TestCase):
    @given(RECORDS)
    def test_what_is_written_reads_as_the_same_recipe(self, record: dict[str, Any]) -> None:
        made = recipe_from(record)
        again = read_recipe(json.dumps(recipe_record(made)).encode())
        self.assertEqual(again, made)

    @given(RECORDS)
    def test_what_is_read_and_written_satisfies_the_schema(self, record: dict[str, Any]) -> None:
        schema = Draft202012Validator(recipe_schema())
        self.assertEqual(list(schema.iter_errors(record)), [])
        self.assertEqual(list(schema.iter_errors(recipe_record(recipe_from(record)))), [])

    def test_schema_and_reader_refuse_alike(self) -> None:
        schema = Draft202012Validator(recipe_schema())
        line = {"ingredient": "dark60", "amount": 100}
        for changed in (
            {"lines": []},
            {"lines": [{**line, "amount": -1}]},
            {"lines": [{**line, "unit": "furlong"}]},
            {"lines": [{**line, "measure": "lunar"}]},
            {"lines": [{**line, "pinned": "yes"}]},
            {"lines": [{**line, "ingredient": "granite"}]},
            {"lines": [{**line, "ingredient": {"name": "x"}}]},
            {"family": "toffee"},
            {"use": "throw"},
            {"format": "another/format"},
            {"version": 2},
        ):
            with self.subTest(changed):
                record = example(**changed)
                self.assertFalse(schema.is_valid(record))
                with self.assertRaises(BadInput):
                    recipe_from(record)

    def test_keys_that_are_not_known_are_left_alone(self) -> None:
        record = example(colour="blue", lines=[{"ingredient": "dark60", "amount": 1, "note": "the good one"}])
        self.assertEqual(recipe_from(record).mass_g, 1)

    def test_each_family_takes_its_own_ways_only(self) -> None:
        for key, family in FAMILY.items():
            self.assertEqual(
                recipe_from(example(family=key, method=family.methods[0].key)).method, family.methods[0].key
            )
            with self.assertRaises(BadInput) as refused:
                recipe_from(example(family=key, method="by-moonlight"))
            self.assertEqual(refused.exception.field, ("method",))


class Vessels(unittest.TestCase):
    def test_schema_and_reader_refuse_alike(self) -> None:
        schema = Draft202012Validator(vessel_schema())
        pan = {"kind": "pan", "shape": "round", "diameter_mm": 180, "depth_mm": 30}
        self.assertTrue(schema.is_valid(pan))
        read_vessel(json.dumps(pan).encode())
        for changed in (
            {"depth_mm": 0},
            {"depth_mm": "deep"},
            {"shape": "star"},
            {"diameter_mm": 5000},
            {"kind": "box"},
        ):
            with self.subTest(changed):
                record = {**pan, **changed}
                self.assertFalse(schema.is_valid(record))
                with self.assertRaises(BadInput):
                    read_vessel(json.dumps(record).encode())


class Json(unittest.TestCase):
    def test_odd_bytes_are_refused_with_where(self) -> None:
        for data, field in (
            (b"", ("recipe",)),
            (b"\xff\xfe{}", ("recipe",)),
            (b"[1, 2]", ("recipe",)),
            (b'{"a": [1, {"b": NaN}]}', ("a", 1, "b")),
            (b'{"a": -Infinity}', ("a",)),
            (b'{"a": {"b": [[], 1e400]}}', ("a", "b", 1)),
            (b"[" * 100_000, ("recipe",)),
            (b'{"a": "' + b"x" * 1_000_001 + b'"}', ("recipe",)),
        ):
            with self.subTest(data[:20]), self.assertRaises(BadInput) as refused:
                read_json(data, "recipe")
            self.assertEqual(refused.exception.field, field)

    def test_a_byte_order_mark_is_no_fault(self) -> None:
        self.assertEqual(read_json(b'\xef\xbb\xbf{"a": 1}', "recipe"), {"a": 1})

    def test_aims(self) -> None:
        self.assertEqual(read_aims(b'{"aims": {"mass_g": 500, "ratio": null}}'), {"mass_g": 500})
        for data in (b"{}", b'{"aims": []}', b'{"aims": {"at_c": 20}}'):
            with self.assertRaises(BadInput):
                read_aims(data)


class LarderCsv(unittest.TestCase):
    @given(st.lists(st.tuples(st.sampled_from(sorted(LIBRARY)), CELLS, CELLS, CELLS, PACKS), max_size=6))
    def test_rows_come_back_as_they_went_out(self, rows: list[tuple[str, Any, Any, Any, Any]]) -> None:
        items = [
            {
                "label": label,
                "pack_g": pack,
                "price": price,
                "country": "SE",
                "in_house_g": house,
                "other_packs": [{"pack_g": size, "price": cost} for size, cost in packs],
            }
            for label, pack, price, house, packs in rows
        ]
        self.assertEqual(read_larder(write_larder(items)), items)

    def test_a_cell_that_a_spreadsheet_would_run_is_made_harmless_and_read_back(self) -> None:
        own = {**RYE_MALT, "name": "=HYPERLINK(1)"}
        text = write_larder([{"label": "=HYPERLINK(1)", "ingredient": own, "country": ""}])
        self.assertIn("'=HYPERLINK(1)", text)
        [row] = read_larder(text)
        self.assertEqual(row["label"], "=HYPERLINK(1)")
        self.assertEqual(row["ingredient"]["composition_pct"], {"water": 5.0, "other": 95.0})

    def test_commas_for_points_and_other_columns(self) -> None:
        [row] = read_larder('colour;x,label,pack_g,price\n1,dark60,"1000","13,5"\n,,,\n')
        self.assertEqual((row["label"], row["price"]), ("dark60", 13.5))


class Pages(unittest.TestCase):
    def test_json_ld_in_its_usual_shapes(self) -> None:
        recipe = {
            "@type": "Recipe",
            "name": "Dome fudge",
            "recipeIngredient": ["200 g cream", "400 g dark chocolate 70%"],
        }
        steps = [
            {"@type": "HowToSection", "itemListElement": [{"@type": "HowToStep", "text": "Warm."}, {"text": "Pour."}]},
            "Stir.\nRest.",
        ]
        for page in (recipe, [recipe], {"@graph": [{"@type": "Person"}, {**recipe, "@type": ["Thing", "Recipe"]}]}):
            found = read_written_text(json.dumps(page), "metric").recipe
            self.assertEqual((found.name, len(found.lines)), ("Dome fudge", 2))
        found = read_written_text(json.dumps({**recipe, "recipeInstructions": steps}), "metric").recipe
        self.assertEqual([step.text for step in found.steps], ["Warm.", "Pour.", "Stir.", "Rest."])

    def test_json_that_is_no_recipe_is_read_as_text_and_refused(self) -> None:
        with self.assertRaises(BadInput) as refused:
            read_written_text(json.dumps({"@type": "Person", "name": "nobody"}), "metric")
        self.assertEqual(refused.exception.field, ("file",))
