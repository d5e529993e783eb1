"""Verbs about heat: boil, ripen, burst, temper."""

import argparse
from typing import Any, Final

from hearth_bowl.cli.parser import Parser, number, read_file
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.ingredients.library import find
from hearth_bowl.core.mass.boiling import (
    boil,
    check_pressure,
    cook_to,
    cook_to_water_pct,
    cook_until_lost,
    pressure_kpa,
)
from hearth_bowl.core.mass.cooking import cook_to_same_solids, finished_or_none
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.mass.mixture import mix
from hearth_bowl.core.mass.ripening import USUAL_DOSE_PCT, dose_pct, ripen
from hearth_bowl.core.mass.sugar_stages import thermometer
from hearth_bowl.core.mass.tempering import temper
from hearth_bowl.core.stove.bursts import first_burst
from hearth_bowl.formats.answers import boil_answer, burst_answer, ripen_answer, stage_answer, temper_answer
from hearth_bowl.formats.recipe_file import read_recipe

ENDS: Final = ("--to-c", "--lost-g", "--sea-level-c", "--water-pct")
"""Where a boil ends: a temperature here, the mass lost, what a recipe says for sea level, the water that is left."""


def heat_parsers() -> dict[str, Parser]:
    """Return the parsers of these verbs."""
    boiling = Parser("boil", answer_boil)
    boiling.add_argument("recipe", nargs="?")
    for name in ("--altitude-m", "--pressure-kpa", *ENDS, "--thermometer-in-boiling-water-c"):
        boiling.option(name, type=number)
    boiling.option("--stage")

    ripening = Parser("ripen", answer_ripen)
    ripening.add_argument("recipe")
    ripening.option("--dose-pct", type=number)
    ripening.option("--at-c", type=number, default=20.0)
    ripening.option("--to-c", type=number)

    bursting = Parser("burst", answer_burst)
    for name in ("--mass-g", "--watts", "--cp", "--record-g", "--record-s"):
        bursting.option(name, type=number, required=name in ("--mass-g", "--watts"))
    bursting.option("--kind", default="chocolate")

    tempering = Parser("temper", answer_temper)
    tempering.add_argument("chocolate")
    for name in ("--from-c", "--to-c", "--mass-g"):
        tempering.option(name, type=number)
    tempering.option("--seed-c", type=number, default=20.0)
    return {"boil": boiling, "ripen": ripening, "burst": bursting, "temper": tempering}


def answer_boil(options: argparse.Namespace) -> dict[str, Any]:
    """Answer `boil RECIPE`, `boil RECIPE --to-c`, or `boil --stage`."""
    if options.pressure_kpa is not None and options.altitude_m is not None:
        raise BadInput(("pressure_kpa",), "a pressure and an altitude are both given", "one of the two", "not-allowed")
    kpa = pressure_kpa(options.altitude_m or 0.0) if options.pressure_kpa is None else options.pressure_kpa
    check_pressure(kpa)
    reading = options.thermometer_in_boiling_water_c
    tested = None if reading is None else thermometer(reading, kpa)
    if options.stage is not None:
        for name in ("recipe", "to_c", "lost_g", "sea_level_c", "water_pct"):
            if getattr(options, name) is not None:
                raise BadInput((name,), "does not apply to a stage", "leave it out, or leave out --stage")
        return stage_answer(options.stage, kpa, tested)
    if options.recipe is None:
        raise BadInput(("recipe",), "is missing", "a recipe, or --stage", "missing")
    mixture = mix(read_recipe(read_file("recipe", options.recipe)))
    if sum(end is not None for end in (options.to_c, options.lost_g, options.sea_level_c, options.water_pct)) > 1:
        raise BadInput(("to_c",), "several ends are given", "one of " + ", ".join(ENDS), "not-allowed")
    cooked = None
    if options.to_c is not None:
        cooked = cook_to(mixture, options.to_c, kpa)
    elif options.lost_g is not None:
        cooked = cook_until_lost(mixture, options.lost_g, kpa)
    elif options.sea_level_c is not None:
        cooked = cook_to_same_solids(mixture, options.sea_level_c, kpa)
    elif options.water_pct is not None:
        cooked = cook_to_water_pct(mixture, options.water_pct, kpa)
    return boil_answer(boil(mixture, kpa), cooked, tested)


def answer_ripen(options: argparse.Namespace) -> dict[str, Any]:
    """Answer `ripen RECIPE`: a boiled recipe after its boil; its own invertase is the dose where it has some."""
    recipe = read_recipe(read_file("recipe", options.recipe))
    mixture = finished_or_none(recipe, Kitchen(), options.to_c) or mix(recipe)
    own = dose_pct(recipe, mixture.mass_g)
    asked = USUAL_DOSE_PCT if options.dose_pct is None else options.dose_pct
    return ripen_answer(ripen(mixture, asked if own is None else own, options.at_c))


def answer_burst(options: argparse.Namespace) -> dict[str, Any]:
    """Answer `burst`."""
    found = first_burst(options.mass_g, options.watts, options.kind, options.cp, options.record_g, options.record_s)
    return burst_answer(found)


def answer_temper(options: argparse.Namespace) -> dict[str, Any]:
    """Answer `temper CHOCOLATE`."""
    try:
        chocolate = find(options.chocolate)
    except BadInput as problem:
        raise problem.under("chocolate") from None
    return temper_answer(temper(chocolate, options.from_c, options.to_c, options.seed_c, options.mass_g))
