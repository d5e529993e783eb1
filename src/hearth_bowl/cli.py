"""The command line: one verb, one JSON object out; bad input is one JSON object on standard error and exit 2."""

import argparse
import json
import re
import sys
from collections.abc import Callable, Sequence
from pathlib import Path
from typing import Any, Final, NoReturn

from hearth_bowl import __version__
from hearth_bowl.core.alcohol import ethanol_g, retained_share
from hearth_bowl.core.assess import ROOM_C, assess
from hearth_bowl.core.balance import balance
from hearth_bowl.core.boiling import boil, check_pressure, cook_to, cook_until_lost, pressure_kpa
from hearth_bowl.core.cooking import cook_to_same_solids
from hearth_bowl.core.errors import BadInput, check_number, dotted
from hearth_bowl.core.fit import Ask, fit
from hearth_bowl.core.mixture import mix
from hearth_bowl.core.sugar_stages import thermometer
from hearth_bowl.formats.aims_file import read_aims
from hearth_bowl.formats.answers import assess_answer, balance_answer, boil_answer, fit_answer, stage_answer
from hearth_bowl.formats.recipe_file import read_recipe
from hearth_bowl.formats.strict_json import LARGEST_FILE_BYTES
from hearth_bowl.formats.vessel_file import read_vessel
from hearth_bowl.formats.written_file import read_written, written_answer
from hearth_bowl.service.fit import shell_named

BAD_INPUT_EXIT: Final = 2
DEFAULT_SHELL: Final = "dark60"
ENDS: Final = ("--to-c", "--lost-g", "--sea-level-c")
"""The ways to say where a boil ends: a temperature here, the mass lost, what a recipe says for sea level."""


class Parser(argparse.ArgumentParser):
    """The arguments of one verb: raises BadInput instead of printing its own words, and knows its options."""

    def __init__(self, verb: str, answer: Callable[[argparse.Namespace], dict[str, Any]]) -> None:
        super().__init__(prog=f"hearth {verb}", add_help=False, allow_abbrev=False)
        self.answer = answer
        self.options: list[str] = []

    def error(self, message: str) -> NoReturn:
        """Raise what was wrong with the call."""
        named = re.search(r"argument (?:--)?([\w-]+): |required: ([\w-]+)", message)
        field = (named[1] or named[2]).replace("-", "_") if named else "arguments"
        raise BadInput((field,), message, " ".join(self.format_usage().split()), "bad-call")

    def option(self, name: str, **settings: Any) -> None:
        """Add an option."""
        self.options.append(name)
        self.add_argument(name, **settings)


def main(arguments: Sequence[str]) -> int:
    """Answer one verb; return the exit code."""
    try:
        verbs = verb_parsers()
        name = arguments[0] if arguments else ""
        if name not in verbs:
            raise BadInput(("verb",), f"unknown verb {name[:60]!r}", "one of " + ", ".join(verbs), "unknown")
        answer = verbs[name].answer(verbs[name].parse_args(arguments[1:]))
    except BadInput as problem:
        refusal = {"field": dotted(problem.field), "message": problem.message, "allowed": problem.allowed}
        print(json.dumps({"error": refusal}), file=sys.stderr)
        return BAD_INPUT_EXIT
    print(json.dumps(answer, allow_nan=False))
    return 0


def verb_parsers() -> dict[str, Parser]:
    """Return the parser of every verb."""
    assessing = Parser("assess", answer_assess)
    assessing.add_argument("recipe")
    assessing.option("--at-c", type=float, default=ROOM_C)

    fitting = Parser("fit", answer_fit)
    fitting.add_argument("recipe")
    fitting.add_argument("vessel")
    for name in ("--thickness-mm", "--mass-g"):
        fitting.option(name, type=float)
    for name in ("--pieces", "--boxes", "--per-box"):
        fitting.option(name, type=int)
    fitting.option("--piece-mm", type=_two_sides)
    usual = Ask()
    for name, default in (
        ("--trim-mm", usual.trim_mm),
        ("--kerf-mm", usual.kerf_mm),
        ("--wall-mm", usual.wall_mm),
        ("--cap-mm", usual.cap_mm),
        ("--headroom-mm", usual.headroom_mm),
        ("--loss-pct", usual.loss_pct),
    ):
        fitting.option(name, type=float, default=default)
    fitting.option("--shell", default=DEFAULT_SHELL)
    fitting.option("--halves", action="store_true")

    spirit = Parser("alcohol", answer_alcohol)
    for name, required in (("--ml", True), ("--abv", True), ("--batch-g", False)):
        spirit.option(name, type=float, required=required)
    spirit.option("--how", default="cold")
    spirit.option("--minutes", type=float, default=0.0)

    boiling = Parser("boil", answer_boil)
    boiling.add_argument("recipe", nargs="?")
    for name in ("--altitude-m", "--pressure-kpa", *ENDS, "--thermometer-in-boiling-water-c"):
        boiling.option(name, type=float)
    boiling.option("--stage")

    balancing = Parser("balance", answer_balance)
    balancing.add_argument("recipe")
    balancing.add_argument("aims")

    reading = Parser("read", answer_read)
    reading.add_argument("file")
    reading.option("--measure", default="metric")
    reading.option("--family")

    return {
        "assess": assessing,
        "fit": fitting,
        "boil": boiling,
        "alcohol": spirit,
        "balance": balancing,
        "read": reading,
        "verbs": Parser("verbs", answer_verbs),
        "version": Parser("version", lambda _: {"version": __version__}),
    }


def _two_sides(text: str) -> tuple[float, float]:
    first, _, second = text.lower().partition("x")
    try:
        return float(first), float(second)
    except ValueError:
        raise argparse.ArgumentTypeError(f"{text[:40]!r} is not two sides such as 25x25") from None


def _read(name: str, path: str) -> bytes:
    try:
        if path == "-":
            return sys.stdin.buffer.read(LARGEST_FILE_BYTES + 1)
        with Path(path).open("rb") as file:
            return file.read(LARGEST_FILE_BYTES + 1)
    except (OSError, ValueError) as problem:
        reason = getattr(problem, "strerror", None) or "not a path"
        raise BadInput((name,), f"{path!r} cannot be read: {reason}", "a readable file, or -", "unreadable") from None


def answer_assess(options: argparse.Namespace) -> dict[str, Any]:
    """Answer `assess RECIPE`."""
    recipe = read_recipe(_read("recipe", options.recipe))
    return assess_answer(recipe, assess(recipe, options.at_c))


def answer_fit(options: argparse.Namespace) -> dict[str, Any]:
    """Answer `fit RECIPE VESSEL`."""
    if options.recipe == options.vessel == "-":
        raise BadInput(("vessel",), "standard input holds one file", "a file's path for one of the two", "bad-call")
    recipe = read_recipe(_read("recipe", options.recipe))
    vessel = read_vessel(_read("vessel", options.vessel))
    ask = Ask(
        thickness_mm=options.thickness_mm,
        pieces=pieces_asked(options.pieces, options.boxes, options.per_box),
        mass_g=options.mass_g,
        piece_mm=options.piece_mm,
        trim_mm=options.trim_mm,
        kerf_mm=options.kerf_mm,
        wall_mm=options.wall_mm,
        cap_mm=options.cap_mm,
        headroom_mm=options.headroom_mm,
        shell=shell_named(options.shell),
        halves=options.halves,
        loss_pct=options.loss_pct,
    )
    return fit_answer(recipe, fit(recipe, vessel, ask))


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
    mixture = mix(read_recipe(_read("recipe", options.recipe)))
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


def answer_balance(options: argparse.Namespace) -> dict[str, Any]:
    """Answer `balance RECIPE AIMS`."""
    if options.recipe == options.aims == "-":
        raise BadInput(("aims",), "standard input holds one file", "a file's path for one of the two", "bad-call")
    recipe = read_recipe(_read("recipe", options.recipe))
    wanted = read_aims(_read("aims", options.aims))
    try:
        found = balance(recipe, wanted)
    except BadInput as problem:
        raise problem.under("aims") from None
    return balance_answer(recipe, found, wanted.get("at_c", ROOM_C))


def answer_read(options: argparse.Namespace) -> dict[str, Any]:
    """Answer `read FILE`: a recipe as people write it."""
    data = _read("file", options.file)
    return written_answer(read_written(data, options.measure, options.family))


def answer_verbs(_: argparse.Namespace) -> dict[str, Any]:
    """Answer `verbs`: every verb with its options."""
    return {"verbs": [{"name": name, "options": parser.options} for name, parser in verb_parsers().items()]}
