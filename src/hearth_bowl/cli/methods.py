"""The verb about a method: every act of a recipe or a confection."""

import argparse
from typing import Any, Final

from hearth_bowl.cli.parser import Parser, number, read_file
from hearth_bowl.core.confection.work_out import work_out
from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.mass.boiling import check_pressure
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.method.method import method_of_confection, method_of_recipe
from hearth_bowl.formats.confection_file import FORMAT as CONFECTION_FORMAT
from hearth_bowl.formats.confection_file import read_confection
from hearth_bowl.formats.method_answer import method_answer
from hearth_bowl.formats.recipe_file import read_recipe
from hearth_bowl.formats.strict_json import read_json

COLDEST_C: Final = 0.0  # a limit, by definition
WARMEST_C: Final = 45.0  # a limit, by definition


def method_parsers() -> dict[str, Parser]:
    """Return the parser of this verb."""
    parser = Parser("method", answer_method)
    parser.add_argument("file")
    parser.option("--kitchen-c", type=number, default=20.0)
    parser.option("--altitude-m", type=number, default=0.0)
    parser.option("--choice", action="append", default=[])
    return {"method": parser}


def answer_method(options: argparse.Namespace) -> dict[str, Any]:
    """Answer `method FILE`: of a recipe or a confection."""
    kitchen = Kitchen(altitude_m=options.altitude_m)
    check_pressure(kitchen.pressure_kpa)
    kitchen_c = check_number(("kitchen_c",), options.kitchen_c, COLDEST_C, WARMEST_C, "°C")
    choices = _choices(options.choice)
    text = read_file("file", options.file)
    if read_json(text, "file").get("format") == CONFECTION_FORMAT:
        worked = work_out(read_confection(text), kitchen)
        return dict(method_answer(method_of_confection(worked, choices, kitchen, kitchen_c)))
    return dict(method_answer(method_of_recipe(read_recipe(text), choices, kitchen, kitchen_c)))


def _choices(given: list[str]) -> dict[str, str]:
    found = {}
    for one in given:
        name, sign, school = one.partition("=")
        if not sign:
            allowed = "NAME=SCHOOL, such as temper=slab"
            raise BadInput(("choice",), f"“{one[:60]}” names no school.", allowed, "wrong-type")
        found[name] = school
    return found
