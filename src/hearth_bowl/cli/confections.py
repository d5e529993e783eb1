"""Verbs about a confection: all that follows from its form and parts, and its label."""

import argparse
from datetime import date
from typing import Any

from hearth_bowl.cli.parser import Parser, number, read_file
from hearth_bowl.core.confection.label import label_of
from hearth_bowl.core.confection.work_out import Worked, work_out
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.mass.boiling import check_pressure
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.formats.confection_file import confection_answer, label_answer, read_confection


def confection_parsers() -> dict[str, Parser]:
    """Return the parsers of these verbs."""
    working = Parser("confection", answer_confection)
    labelling = Parser("label", answer_label)
    for parser in (working, labelling):
        parser.add_argument("file")
        parser.option("--altitude-m", type=number, default=0.0)
    labelling.option("--made", required=True)
    labelling.option("--pieces", type=int)
    return {"confection": working, "label": labelling}


def _worked(options: argparse.Namespace) -> Worked:
    kitchen = Kitchen(altitude_m=options.altitude_m)
    check_pressure(kitchen.pressure_kpa)
    return work_out(read_confection(read_file("file", options.file)), kitchen)


def answer_confection(options: argparse.Namespace) -> dict[str, Any]:
    """Answer `confection FILE`."""
    return dict(confection_answer(_worked(options)))


def answer_label(options: argparse.Namespace) -> dict[str, Any]:
    """Answer `label FILE --made DAY`."""
    try:
        made = date.fromisoformat(options.made)
    except ValueError:
        message = f"“{options.made[:40]}” is not a date."
        raise BadInput(("made",), message, "a date such as 2026-08-12", "wrong-type") from None
    return dict(label_answer(label_of(_worked(options), options.pieces), made))
