"""Verbs about heat: boil, cool, temper."""

import argparse
from dataclasses import replace
from typing import Any, Final

from hearth_bowl.cli.parser import Parser, number, read_file
from hearth_bowl.core.cooling.bowl import BOWL_H, bowl_s, time_constant_s
from hearth_bowl.core.cooling.places import PLACES, faces, place_named
from hearth_bowl.core.cooling.slab import Slab, slab_s
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.ingredients.library import find
from hearth_bowl.core.mass.boiling import boil, check_pressure, cook_to, cook_until_lost, pressure_kpa
from hearth_bowl.core.mass.cooking import cook_to_same_solids
from hearth_bowl.core.mass.mixture import mix
from hearth_bowl.core.mass.sugar_stages import thermometer
from hearth_bowl.core.mass.tempering import temper
from hearth_bowl.core.mass.thermal import GANACHE
from hearth_bowl.formats.answers import boil_answer, minutes_answer, stage_answer, temper_answer
from hearth_bowl.formats.recipe_file import read_recipe

ENDS: Final = ("--to-c", "--lost-g", "--sea-level-c")
"""The ways to say where a boil ends: a temperature here, the mass lost, what a recipe says for sea level."""
SLAB_NUMBERS: Final = ("--thickness-mm", "--latent-kj-per-kg", "--h-top", "--h-base")
SLAB_WORDS: Final = ("--place", "--base", "--cover")
BOWL_NUMBERS: Final = ("--bowl-kg", "--area-m2", "--h", "--cp")


def heat_parsers() -> dict[str, Parser]:
    """Return the parsers of these verbs."""
    boiling = Parser("boil", answer_boil)
    boiling.add_argument("recipe", nargs="?")
    for name in ("--altitude-m", "--pressure-kpa", *ENDS, "--thermometer-in-boiling-water-c"):
        boiling.option(name, type=number)
    boiling.option("--stage")

    cooling = Parser("cool", answer_cool)
    for name in (*SLAB_NUMBERS, *BOWL_NUMBERS, "--from-c", "--to-c", "--ambient-c"):
        cooling.option(name, type=number, required=name in ("--from-c", "--to-c"))
    for name in SLAB_WORDS:
        cooling.option(name)
    cooling.option("--both-faces", action="store_true")

    tempering = Parser("temper", answer_temper)
    tempering.add_argument("chocolate")
    for name in ("--from-c", "--to-c", "--mass-g"):
        tempering.option(name, type=number)
    tempering.option("--seed-c", type=number, default=20.0)
    return {"boil": boiling, "cool": cooling, "temper": tempering}


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


def answer_cool(options: argparse.Namespace) -> dict[str, Any]:
    """Answer `cool --thickness-mm ...` or `cool --bowl-kg ...`."""
    slab, bowl = options.thickness_mm is not None, options.bowl_kg is not None
    if slab == bowl:
        raise BadInput(("thickness_mm",), "a slab or a bowl is needed", "--thickness-mm or --bowl-kg", "missing")
    other = BOWL_NUMBERS if slab else (*SLAB_NUMBERS, "--base", "--cover")
    for name in other:
        field = name.removeprefix("--").replace("-", "_")
        if getattr(options, field) is not None:
            raise BadInput((field,), f"does not apply to a {'slab' if slab else 'bowl'}", "leave it out")
    return minutes_answer(_slab_s(options) if slab else _bowl_s(options))


def _slab_s(options: argparse.Namespace) -> float:
    if options.place is None:
        raise BadInput(("place",), "is missing", ", ".join(PLACES), "missing")
    top, base = faces(options.place, options.base, options.cover or "none", both=options.both_faces)
    top = top if options.h_top is None else options.h_top
    base = base if options.h_base is None else options.h_base
    if options.both_faces and options.h_base is None:
        base = top
    latent = GANACHE.latent_kj_per_kg if options.latent_kj_per_kg is None else options.latent_kj_per_kg
    slab = Slab(
        thickness_mm=options.thickness_mm, h_top=top, h_base=base, thermal=replace(GANACHE, latent_kj_per_kg=latent)
    )
    return slab_s(slab, options.from_c, options.to_c, _ambient_c(options))


def _bowl_s(options: argparse.Namespace) -> float:
    if options.area_m2 is None:
        raise BadInput(("area_m2",), "is missing", "the bowl's cooling surface in m²", "missing")
    h = BOWL_H if options.h is None else options.h
    cp = GANACHE.cp_j_per_kgk if options.cp is None else options.cp
    tau_s = time_constant_s(options.bowl_kg, cp, h, options.area_m2)
    return bowl_s(tau_s, options.from_c, options.to_c, _ambient_c(options))


def _ambient_c(options: argparse.Namespace) -> float:
    if options.ambient_c is not None:
        return float(options.ambient_c)
    return place_named(options.place or "counter").ambient_c


def answer_temper(options: argparse.Namespace) -> dict[str, Any]:
    """Answer `temper CHOCOLATE`."""
    try:
        chocolate = find(options.chocolate)
    except BadInput as problem:
        raise problem.under("chocolate") from None
    return temper_answer(temper(chocolate, options.from_c, options.to_c, options.seed_c, options.mass_g))
