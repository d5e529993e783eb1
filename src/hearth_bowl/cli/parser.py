"""The arguments of one verb, and the files that they name."""

import argparse
import re
import sys
from collections.abc import Callable
from math import isfinite, nan
from pathlib import Path
from typing import Any, NoReturn

from hearth_bowl.core.errors import BadInput
from hearth_bowl.formats.strict_json import LARGEST_FILE_BYTES


class Parser(argparse.ArgumentParser):
    """The arguments of one verb: raises BadInput instead of printing its own words, and knows its options."""

    def __init__(self, verb: str, answer: Callable[[argparse.Namespace], dict[str, Any]]) -> None:
        super().__init__(prog=f"hearth {verb}", add_help=False, allow_abbrev=False)
        self.answer = answer
        self.options: list[str] = []

    def error(self, message: str) -> NoReturn:
        """Raise what was wrong with the call."""
        named = re.search(r"argument (?:--)?([\w-]+): |required: (?:--)?([\w-]+)", message)
        field = (named[1] or named[2]).replace("-", "_") if named else "arguments"
        raise BadInput((field,), message, " ".join(self.format_usage().split()), "bad-call")

    def option(self, name: str, **settings: Any) -> None:
        """Add an option."""
        self.options.append(name)
        self.add_argument(name, **settings)


def number(text: str) -> float:
    """Return a finite number; argparse names the option of one that is none."""
    try:
        value = float(text)
    except ValueError:
        value = nan
    if not isfinite(value):
        raise argparse.ArgumentTypeError(f"{text[:40]!r} is not a finite number")
    return value


def read_file(name: str, path: str) -> bytes:
    """Return the content of a file, or of standard input for `-`.

    :raises BadInput: at `name`.
    """
    try:
        if path == "-":
            return sys.stdin.buffer.read(LARGEST_FILE_BYTES + 1)
        with Path(path).open("rb") as file:
            return file.read(LARGEST_FILE_BYTES + 1)
    except (OSError, ValueError) as problem:
        reason = getattr(problem, "strerror", None) or "not a path"
        raise BadInput((name,), f"{path!r} cannot be read: {reason}", "a readable file, or -", "unreadable") from None
