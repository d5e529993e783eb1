"""What happened in a run as JSON: written whole, and read back even where an earlier version was less strict."""

import json
from collections.abc import Iterable
from dataclasses import asdict
from functools import cache
from typing import Annotated, Any

from pydantic import Field, TypeAdapter, ValidationError

from hearth_bowl.core.stove.events import Happening, Mended, Noted
from hearth_bowl.formats.recipe_file import LineFile, RecipeFile, whole_line

HappeningFile = Annotated[Happening, Field(discriminator="kind")]
"""A happening as JSON tells it apart, by its kind."""


@cache
def _adapter() -> TypeAdapter[Happening]:
    return TypeAdapter(HappeningFile)


def happening_data(what: Happening) -> str:
    """Return what is stored of a happening beside its kind: all that it says."""
    said = {name: value for name, value in asdict(what).items() if value is not None and name != "kind"}
    return json.dumps(said, ensure_ascii=False, allow_nan=False)


def happening_from(kind: str, data: str) -> Happening:
    """Return a stored happening; one that an earlier version took without looking is kept as a note of its words."""
    said: Any = json.loads(data)
    try:
        return _adapter().validate_python({**said, "kind": kind})
    except (ValidationError, TypeError):
        return Noted(text=f"{kind}: {data}"[:2000])


def with_put_in(record: RecipeFile, happened: Iterable[Happening]) -> RecipeFile:
    """Return a batch's recipe with what was put in to mend it as lines of their own."""
    more: list[LineFile] = []
    for what in happened:
        if isinstance(what, Mended):
            for put in what.put_in:
                of = put.ingredient if put.position is None else record["lines"][put.position]["ingredient"]
                line = {"ingredient": of, "amount": put.g, "unit": "g", "stage": "late", "text": "to mend it"}
                more.append(whole_line(line))
    return {**record, "lines": [*record["lines"], *more]} if more else record
