"""The command line: one verb, one JSON object out; bad input is one JSON object on standard error and exit 2."""

import argparse
import json
import sys
from collections.abc import Sequence
from typing import Any, Final

from hearth_bowl import __version__
from hearth_bowl.cli.confections import confection_parsers
from hearth_bowl.cli.cooling import cooling_parsers
from hearth_bowl.cli.diagnosing import diagnosing_parsers
from hearth_bowl.cli.fitting import fit_parsers
from hearth_bowl.cli.heat import heat_parsers
from hearth_bowl.cli.learning import learning_parsers
from hearth_bowl.cli.methods import method_parsers
from hearth_bowl.cli.parser import Parser
from hearth_bowl.cli.planning import planning_parsers
from hearth_bowl.cli.recipes import recipe_parsers
from hearth_bowl.core.errors import BadInput, dotted
from hearth_bowl.core.quantities import plain

BAD_INPUT_EXIT: Final = 2


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
        print(_written({"error": refusal}), file=sys.stderr)
        return BAD_INPUT_EXIT
    print(_written(answer))
    return 0


def _written(answer: dict[str, Any]) -> str:
    """Return an answer as JSON, its sentences in °C."""
    return json.dumps(json.loads(plain(json.dumps(answer, ensure_ascii=False, allow_nan=False))))


def verb_parsers() -> dict[str, Parser]:
    """Return the parser of every verb."""
    return {
        **recipe_parsers(),
        **fit_parsers(),
        **confection_parsers(),
        **method_parsers(),
        **heat_parsers(),
        **cooling_parsers(),
        **learning_parsers(),
        **diagnosing_parsers(),
        **planning_parsers(),
        "verbs": Parser("verbs", answer_verbs),
        "version": Parser("version", lambda _: {"version": __version__}),
    }


def answer_verbs(_: argparse.Namespace) -> dict[str, Any]:
    """Answer `verbs`: every verb with its options."""
    return {"verbs": [{"name": name, "options": parser.options} for name, parser in verb_parsers().items()]}
