"""Verbs about a recipe itself: assess, balance, read, alcohol."""

import argparse
from typing import Any

from hearth_bowl.cli.parser import Parser, number, read_file
from hearth_bowl.core.assess.assess import ROOM_C, assess
from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.mass.alcohol import ethanol_g, retained_share
from hearth_bowl.core.solve.balance import balance
from hearth_bowl.formats.aims_file import read_aims
from hearth_bowl.formats.answers import assess_answer, balance_answer
from hearth_bowl.formats.recipe_file import read_recipe
from hearth_bowl.formats.written_file import read_written, written_answer


def recipe_parsers() -> dict[str, Parser]:
    """Return the parsers of these verbs."""
    assessing = Parser("assess", answer_assess)
    assessing.add_argument("recipe")
    assessing.option("--at-c", type=number, default=ROOM_C)

    balancing = Parser("balance", answer_balance)
    balancing.add_argument("recipe")
    balancing.add_argument("aims")

    reading = Parser("read", answer_read)
    reading.add_argument("file")
    reading.option("--measure", default="metric")
    reading.option("--family")

    spirit = Parser("alcohol", answer_alcohol)
    for name, required in (("--ml", True), ("--abv", True), ("--batch-g", False)):
        spirit.option(name, type=number, required=required)
    spirit.option("--how", default="cold")
    spirit.option("--minutes", type=number, default=0.0)
    return {"assess": assessing, "balance": balancing, "read": reading, "alcohol": spirit}


def answer_assess(options: argparse.Namespace) -> dict[str, Any]:
    """Answer `assess RECIPE`."""
    recipe = read_recipe(read_file("recipe", options.recipe))
    return assess_answer(recipe, assess(recipe, options.at_c))


def answer_balance(options: argparse.Namespace) -> dict[str, Any]:
    """Answer `balance RECIPE AIMS`."""
    if options.recipe == options.aims == "-":
        raise BadInput(("aims",), "standard input holds one file", "a file's path for one of the two", "bad-call")
    recipe = read_recipe(read_file("recipe", options.recipe))
    wanted = read_aims(read_file("aims", options.aims))
    try:
        found = balance(recipe, wanted)
    except BadInput as problem:
        raise problem.under("aims") from None
    return balance_answer(recipe, found, wanted.get("at_c", ROOM_C))


def answer_read(options: argparse.Namespace) -> dict[str, Any]:
    """Answer `read FILE`: a recipe as people write it."""
    data = read_file("file", options.file)
    return written_answer(read_written(data, options.measure, options.family))


def answer_alcohol(options: argparse.Namespace) -> dict[str, Any]:
    """Answer `alcohol --ml --abv`."""
    volume_ml = check_number(("ml",), options.ml, 0, 1e6, "ml")
    ethanol = ethanol_g(volume_ml, check_number(("abv",), options.abv, 0, 100, "% vol"))
    retained = ethanol * retained_share(options.how, check_number(("minutes",), options.minutes, 0, 150, "min"))
    batch_g = options.batch_g
    if batch_g is not None:
        check_number(("batch_g",), batch_g, ethanol, 1e6, "g", above=True)
    return {
        "ethanol_g": ethanol,
        "retained_g": retained,
        "pct_by_mass": None if batch_g is None else 100 * retained / batch_g,
    }
