"""The command line: one verb, one JSON object out; bad input is one JSON object on standard error and exit 2."""

import argparse
import json
import sys
from collections.abc import Callable, Sequence
from pathlib import Path
from typing import Any, Final, NoReturn

from hearth_bowl import __version__
from hearth_bowl.core.alcohol import ethanol_g, retained_share
from hearth_bowl.core.assess import ROOM_C, assess
from hearth_bowl.core.errors import BadInput, check_number, dotted
from hearth_bowl.core.fit import Ask, fit
from hearth_bowl.core.ingredient import Ingredient
from hearth_bowl.core.library import find
from hearth_bowl.formats.answers import assess_answer, fit_answer
from hearth_bowl.formats.recipe_file import read_recipe
from hearth_bowl.formats.strict_json import LARGEST_FILE_BYTES
from hearth_bowl.formats.vessel_file import read_vessel

BAD_INPUT_EXIT: Final = 2
DEFAULT_SHELL: Final = "dark60"


class Parser(argparse.ArgumentParser):
    """An argument parser that raises BadInput instead of printing its own words."""

    def error(self, message: str) -> NoReturn:
        """Raise what was wrong with the call."""
        raise BadInput(("arguments",), message, " ".join(self.format_usage().split()), "bad-call")


def main(arguments: Sequence[str]) -> int:
    """Answer one verb; return the exit code."""
    try:
        options = build_parser().parse_args(arguments)
        answer = options.answer(options)
    except BadInput as problem:
        refusal = {"field": dotted(problem.field), "message": problem.message, "allowed": problem.allowed}
        print(json.dumps({"error": refusal}), file=sys.stderr)
        return BAD_INPUT_EXIT
    print(json.dumps(answer, allow_nan=False))
    return 0


def build_parser() -> Parser:
    """Return the parser of every verb."""
    parser = Parser(prog="hearth", add_help=False, allow_abbrev=False)
    verbs = parser.add_subparsers(dest="verb", required=True, parser_class=Parser, metavar="VERB")

    def verb(name: str, answer: Callable[[argparse.Namespace], dict[str, Any]]) -> Parser:
        added: Parser = verbs.add_parser(name, add_help=False, allow_abbrev=False)
        added.set_defaults(answer=answer)
        return added

    reading = verb("assess", answer_assess)
    reading.add_argument("recipe")
    reading.add_argument("--at-c", type=float, default=ROOM_C)

    fitting = verb("fit", answer_fit)
    fitting.add_argument("recipe")
    fitting.add_argument("vessel")
    for option in ("--thickness-mm", "--mass-g"):
        fitting.add_argument(option, type=float)
    for option in ("--pieces", "--boxes", "--per-box"):
        fitting.add_argument(option, type=int)
    fitting.add_argument("--piece-mm", type=_two_sides)
    for option, default in (
        ("--trim-mm", 0.0),
        ("--kerf-mm", 0.0),
        ("--wall-mm", 2.0),
        ("--cap-mm", 1.5),
        ("--headroom-mm", 0.5),
        ("--loss-pct", 5.0),
    ):
        fitting.add_argument(option, type=float, default=default)
    fitting.add_argument("--shell", default=DEFAULT_SHELL)
    fitting.add_argument("--halves", action="store_true")

    spirit = verb("alcohol", answer_alcohol)
    for option, required in (("--ml", True), ("--abv", True), ("--batch-g", False)):
        spirit.add_argument(option, type=float, required=required)
    spirit.add_argument("--how", default="cold")
    spirit.add_argument("--minutes", type=float, default=0.0)

    verb("verbs", answer_verbs)
    verb("version", lambda _: {"version": __version__})
    return parser


def _two_sides(text: str) -> tuple[float, float]:
    first, _, second = text.lower().partition("x")
    return float(first), float(second)


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


def shell_named(name: str) -> Ingredient | None:
    """Return the chocolate that a shell is made of, or None for `none`."""
    if name == "none":
        return None
    try:
        return find(name)
    except BadInput as problem:
        raise problem.under("shell") from None


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


def answer_verbs(_: argparse.Namespace) -> dict[str, Any]:
    """Answer `verbs`: every verb with its options."""
    parsers = next(iter(build_parser()._subparsers._group_actions)).choices  # type: ignore[union-attr]
    return {
        "verbs": [
            {
                "name": name,
                "options": [string for action in parser._actions for string in action.option_strings],
            }
            for name, parser in (parsers or {}).items()  # type: ignore[attr-defined]
        ]
    }
