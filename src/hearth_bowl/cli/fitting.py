"""The verb `fit`."""

import argparse
from typing import Any, Final

from hearth_bowl.cli.parser import Parser, number, read_file
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit import fit
from hearth_bowl.core.fit.ask import ask_for, ask_kind
from hearth_bowl.core.mass.boiling import check_pressure
from hearth_bowl.core.mass.cooking import finished_or_none
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.formats.answers import fit_answer
from hearth_bowl.formats.recipe_file import read_recipe
from hearth_bowl.formats.vessel_file import read_vessel

MEASURES: Final = (
    "thickness_mm",
    "mass_g",
    "trim_mm",
    "kerf_mm",
    "wall_mm",
    "cap_mm",
    "headroom_mm",
    "loss_pct",
    "loss_g",
    "coat_mm",
    "core_g",
    "dip_bowl_mm",
    "overrun_pct",
    "mix_g_per_cup",
    "mug_mm",
)
ASKED: Final = ("spares", "colours", "coated", "piece_mm", "shell", "rolling", "halves")
COUNTS: Final = ("pieces", "spares", "colours", "coated", "boxes", "per_box")


def fit_parsers() -> dict[str, Parser]:
    """Return the parser of this verb."""
    fitting = Parser("fit", answer_fit)
    fitting.add_argument("recipe")
    fitting.add_argument("vessel")
    for name in MEASURES:
        fitting.option(_option(name), type=number)
    fitting.option("--to-c", type=number)
    fitting.option("--altitude-m", type=number, default=0.0)
    for name in COUNTS:
        fitting.option(_option(name), type=int)
    fitting.option("--piece-mm", type=_two_sides)
    fitting.option("--shell")
    fitting.option("--rolling")
    fitting.option("--halves", action="store_true")
    return {"fit": fitting}


def _option(name: str) -> str:
    return "--" + name.replace("_", "-")


def _two_sides(text: str) -> tuple[float, float]:
    first, _, second = text.lower().partition("x")
    try:
        return float(first), float(second)
    except ValueError:
        raise argparse.ArgumentTypeError(f"{text[:40]!r} is not two sides such as 25x25") from None


def answer_fit(options: argparse.Namespace) -> dict[str, Any]:
    """Answer `fit RECIPE VESSEL`."""
    if options.recipe == options.vessel == "-":
        raise BadInput(("vessel",), "standard input holds one file", "a file's path for one of the two", "bad-call")
    recipe = read_recipe(read_file("recipe", options.recipe))
    vessel = read_vessel(read_file("vessel", options.vessel))
    kind = ask_kind(vessel)
    given = {name: getattr(options, name) for name in (*MEASURES, *ASKED)}
    given["pieces"] = pieces_asked(options.pieces, options.boxes, options.per_box)
    ask = ask_for(kind, given)
    kitchen = Kitchen(altitude_m=options.altitude_m)
    check_pressure(kitchen.pressure_kpa)
    return fit_answer(recipe, fit(recipe, vessel, ask, finished_or_none(recipe, kitchen, options.to_c)))


def pieces_asked(pieces: int | None, boxes: int | None, per_box: int | None) -> int | None:
    """Return how many pieces are asked for, by number or by boxes.

    :raises BadInput: at `boxes` or `per_box`.
    """
    if boxes is None and per_box is None:
        return pieces
    if boxes is None or per_box is None:
        missing = "boxes" if boxes is None else "per_box"
        raise BadInput((missing,), "is missing", "boxes and per_box together", "missing")
    if pieces is not None:
        raise BadInput(("pieces",), "pieces and boxes are both given", "one of the two", "not-allowed")
    for name, value in (("boxes", boxes), ("per_box", per_box)):
        if value < 1:
            raise BadInput((name,), f"{value}", "1 or more", "out-of-range")
    return boxes * per_box
