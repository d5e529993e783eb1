"""The vessel file: `hearth-bowl/vessel`, version 1."""

from collections.abc import Mapping
from typing import Any, Final

from hearth_bowl.core.fit.vessel import Vessel, checked_vessel
from hearth_bowl.formats.strict_json import check_format, read_json, text, text_or_none

FORMAT: Final = "hearth-bowl/vessel"


def read_vessel(data: bytes) -> Vessel:
    """Return the vessel of a file.

    :raises BadInput: naming the field as the file has it.
    """
    return vessel_from(read_json(data, "vessel"))


def vessel_from(record: Mapping[str, Any]) -> Vessel:
    """Return the vessel of a decoded file."""
    check_format(record, FORMAT)
    return checked_vessel(text(record, "kind", ""), text_or_none(record, "shape") or "", record)
