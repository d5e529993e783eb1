"""The vessel file: `hearth-bowl/vessel`, version 1."""

from collections.abc import Mapping
from typing import Any, Final

from typing_extensions import TypedDict

from hearth_bowl.core.fit.vessel import Vessel, checked_vessel
from hearth_bowl.formats.strict_json import check_format, read_json, text, text_or_none

FORMAT: Final = "hearth-bowl/vessel"


class VesselFile(TypedDict):
    """A vessel file's content, everything said: its kind and shape, with the measures that these need."""

    format: str
    version: int
    kind: str
    shape: str | None
    cavities: int | None
    count: int | None
    fillings: int | None
    length_mm: float | None
    width_mm: float | None
    diameter_mm: float | None
    inner_diameter_mm: float | None
    depth_mm: float | None
    corner_mm: float | None
    lining_mm: float | None
    usable_depth_mm: float | None
    rim_length_mm: float | None
    rim_width_mm: float | None
    floor_length_mm: float | None
    floor_width_mm: float | None
    radius_mm: float | None
    base_radius_mm: float | None
    rim_radius_mm: float | None
    floor_radius_mm: float | None
    height_mm: float | None
    filling_mm: float | None
    coat_mm: float | None
    water_g: float | None
    volume_ml: float | None
    piece_g: float | None


def whole_vessel(document: Mapping[str, Any]) -> VesselFile:
    """Return a stored vessel file with what it does not say as None. Nothing is checked."""
    usual = {**dict.fromkeys(VesselFile.__annotations__), "format": FORMAT, "version": 1}
    return {**usual, **document}  # type: ignore[typeddict-item]


def read_vessel(data: bytes) -> Vessel:
    """Return the vessel of a file.

    :raises BadInput: naming the field as the file has it.
    """
    return vessel_from(read_json(data, "vessel"))


def vessel_from(record: Mapping[str, Any]) -> Vessel:
    """Return the vessel of a decoded file."""
    check_format(record, FORMAT)
    return checked_vessel(text(record, "kind", ""), text_or_none(record, "shape") or "", record)
