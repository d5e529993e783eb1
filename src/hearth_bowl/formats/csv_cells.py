"""Cells of CSV files: what a spreadsheet would take for a formula is written as text, and read as it was."""

import csv
import io
from collections.abc import Iterator
from typing import Final

from hearth_bowl.core.errors import BadInput

FORMULA_SIGNS: Final = ("=", "+", "-", "@", "\t", "\r")
"""What a spreadsheet takes for the start of a formula."""


def safe_cell(text: str) -> str:
    """Return a text as a cell that no spreadsheet takes for a formula."""
    return f"'{text}" if text.startswith((*FORMULA_SIGNS, "'")) else text


def plain_cell(cell: str) -> str:
    """Return the text of a cell: `safe_cell` undone, outer space taken off."""
    text = cell.strip()
    return text[1:] if text.startswith("'") and text[1:].startswith((*FORMULA_SIGNS, "'")) else text


def csv_rows(text: str) -> tuple[list[str], Iterator[dict[str, str]]]:
    """Return the columns of a CSV (lower case) and its rows by column, cells as plain text.

    :raises BadInput: at `csv`, perhaps only when a row is read: not readable as CSV.
    """
    reader = csv.reader(io.StringIO(text.lstrip("\ufeff")))
    columns = [name.strip().lower() for name in _next(reader) or []]

    def rows() -> Iterator[dict[str, str]]:
        while (row := _next(reader)) is not None:
            if row:
                cells = row + [""] * (len(columns) - len(row))
                yield {name: plain_cell(cell) for name, cell in zip(columns, cells, strict=False)}

    return columns, rows()


def _next(reader: Iterator[list[str]]) -> list[str] | None:
    try:
        return next(reader, None)
    except csv.Error as problem:
        raise BadInput(("csv",), f"not readable: {problem}", "comma-separated rows", "not-csv") from None
