"""Verbs about heat: boil, cool, temper."""

import argparse
from typing import Any, Final

from hearth_bowl.cli.parser import Parser, read_file
from hearth_bowl.core.boiling import boil, check_pressure, cook_to, cook_until_lost, pressure_kpa
from hearth_bowl.core.cooking import cook_to_same_solids
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.mixture import mix
from hearth_bowl.core.sugar_stages import thermometer
from hearth_bowl.formats.answers import boil_answer, stage_answer
from hearth_bowl.formats.recipe_file import read_recipe

ENDS: Final = ("--to-c", "--lost-g", "--sea-level-c")
"""The ways to say where a boil ends: a temperature here, the mass lost, what a recipe says for sea level."""


def heat_parsers() -> dict[str, Parser]:
    """Return the parsers of these verbs."""
    boiling = Parser("boil", answer_boil)
    boiling.add_argument("recipe", nargs="?")
    for name in ("--altitude-m", "--pressure-kpa", *ENDS, "--thermometer-in-boiling-water-c"):
        boiling.option(name, type=float)
    boiling.option("--stage")
    return {"boil": boiling}


def answer_boil(options: argparse.Namespace) -> dict[str, Any]:
    """Answer `boil RECIPE`, `boil RECIPE --to-c`, or `boil --stage`."""
    if options.pressure_kpa is not None and options.altitude_m is not None:
        raise BadInput(("pressure_kpa",), "a pressure and an altitude are both given", "one of the two", "not-allowed")
    kpa = pressure_kpa(options.altitude_m or 0.0) if options.pressure_kpa is None else options.pressure_kpa
    check_pressure(kpa)
    reading = options.thermometer_in_boiling_water_c
    tested = None if reading is None else thermometer(reading, kpa)
    if options.stage is not None:
        for name in ("recipe", "to_c", "lost_g", "sea_level_c"):
            if getattr(options, name) is not None:
                raise BadInput((name,), "does not apply to a stage", "leave it out, or leave out --stage")
        return stage_answer(options.stage, kpa, tested)
    if options.recipe is None:
        raise BadInput(("recipe",), "is missing", "a recipe, or --stage", "missing")
    mixture = mix(read_recipe(read_file("recipe", options.recipe)))
    if sum(end is not None for end in (options.to_c, options.lost_g, options.sea_level_c)) > 1:
        raise BadInput(("to_c",), "several ends are given", "one of " + ", ".join(ENDS), "not-allowed")
    cooked = None
    if options.to_c is not None:
        cooked = cook_to(mixture, options.to_c, kpa)
    elif options.lost_g is not None:
        cooked = cook_until_lost(mixture, options.lost_g, kpa)
    elif options.sea_level_c is not None:
        cooked = cook_to_same_solids(mixture, options.sea_level_c, kpa)
    return boil_answer(boil(mixture, kpa), cooked, tested)
