"""The verb that answers what a cook sees."""

import argparse
from typing import Any

from hearth_bowl.cli.parser import Parser, read_file
from hearth_bowl.core.diagnose.diagnosis import diagnose
from hearth_bowl.formats.seen_file import diagnosis_answer, read_seen


def diagnosing_parsers() -> dict[str, Parser]:
    """Return the parser of this verb."""
    parser = Parser("diagnose", answer_diagnose)
    parser.add_argument("file")
    return {"diagnose": parser}


def answer_diagnose(options: argparse.Namespace) -> dict[str, Any]:
    """Answer `diagnose FILE`."""
    return diagnosis_answer(diagnose(read_seen(read_file("file", options.file))))
