"""What is asked of a vessel as plain values: written with its kind, read back as that kind's."""

from collections.abc import Mapping
from dataclasses import asdict
from functools import cache
from typing import Annotated, Any

from pydantic import Field, TypeAdapter

from hearth_bowl.core.fit.ask import Ask

AskFile = Annotated[Ask, Field(discriminator="kind")]
"""An ask as JSON tells it apart, by its kind."""


def ask_record(ask: Ask) -> dict[str, Any]:
    """Return an ask as it is stored; what is not asked is left out."""
    return {name: value for name, value in asdict(ask).items() if value is not None}


def ask_from(record: Mapping[str, Any]) -> Ask:
    """Return a stored ask. Whether it can be asked of a vessel is checked where it is."""
    return _adapter().validate_python(record)


@cache
def _adapter() -> TypeAdapter[Ask]:
    return TypeAdapter(AskFile)
