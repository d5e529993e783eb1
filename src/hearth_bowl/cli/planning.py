"""The verb that plans an occasion. The solver is loaded only when it is asked for."""

import argparse
from time import monotonic
from typing import Any

from hearth_bowl.cli.parser import Parser, number, read_file
from hearth_bowl.core.errors import check_number


def planning_parsers() -> dict[str, Parser]:
    """Return the parser of this verb."""
    parser = Parser("plan", answer_plan)
    parser.add_argument("file")
    parser.option("--waits", choices=("middle", "slow"), default="slow")
    parser.option("--effort", type=number, default=1.0)
    return {"plan": parser}


def answer_plan(options: argparse.Namespace) -> dict[str, Any]:
    """Answer `plan FILE`."""
    from hearth_bowl.core.plan.plan import plan_occasion
    from hearth_bowl.formats.occasion_file import plan_answer, read_occasion
    from hearth_bowl.solver import CpSat

    effort = check_number(("effort",), options.effort, 0, 20)
    occasion, midnight = read_occasion(read_file("file", options.file), options.waits)
    return {**plan_answer(plan_occasion(occasion, CpSat, monotonic, effort), midnight)}
