"""The verb about what a kitchen's log teaches."""

import argparse
from typing import Any

from hearth_bowl.cli.parser import Parser, read_file
from hearth_bowl.core.learn.corrections import learn
from hearth_bowl.formats.log_file import corrections_answer, read_log


def learning_parsers() -> dict[str, Parser]:
    """Return the parser of this verb."""
    parser = Parser("learn", answer_learn)
    parser.add_argument("file")
    return {"learn": parser}


def answer_learn(options: argparse.Namespace) -> dict[str, Any]:
    """Answer `learn FILE`."""
    return corrections_answer(learn(read_log(read_file("file", options.file))))
