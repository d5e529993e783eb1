"""Vessels: what a person owns to pour, portion and pack with."""

import json
from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any, Final

from sqlalchemy import delete, select
from sqlalchemy.orm import Session

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit.vessel import MEASURES
from hearth_bowl.core.recipe.recipe import check_name
from hearth_bowl.formats.vessel_file import VesselFile, vessel_from, whole_vessel
from hearth_bowl.service.errors import NotFound
from hearth_bowl.store.models import VesselRow

KINDS: Final = tuple(MEASURES)
MOST_OWNED: Final = 100


@dataclass(frozen=True, slots=True, kw_only=True)
class StoredVessel:
    """A vessel with its name, and how many of it there are. `vessel` is a vessel file's content."""

    id: int
    name: str
    owned: int
    vessel: VesselFile


def list_vessels(session: Session) -> list[StoredVessel]:
    """Return all vessels, by kind and then as they were made."""
    found = [_stored(row) for row in session.scalars(select(VesselRow).order_by(VesselRow.id))]
    return sorted(found, key=lambda stored: KINDS.index(stored.vessel["kind"]))


def get_vessel(session: Session, vessel_id: int) -> StoredVessel:
    """Return one vessel.

    :raises NotFound: there is none.
    """
    row = session.get(VesselRow, vessel_id)
    if row is None:
        raise NotFound("vessel", vessel_id)
    return _stored(row)


def named_measures(stored: StoredVessel) -> dict[str, Any]:
    """Return a vessel as a confection file has it: the measures that it has, and its name."""
    return {**{name: value for name, value in stored.vessel.items() if value is not None}, "name": stored.name}


def create_vessel(session: Session, name: str, record: Mapping[str, Any], owned: int = 1) -> StoredVessel:
    """Store a vessel.

    :raises BadInput: naming the measure, `name` or `owned`.
    """
    row = VesselRow(name=check_name(name), owned=_owned(owned), **_content(record))
    session.add(row)
    session.flush()
    return _stored(row)


def save_vessel(session: Session, vessel_id: int, name: str, record: Mapping[str, Any], owned: int = 1) -> StoredVessel:
    """Store a vessel's new measures, name and number.

    :raises BadInput: naming the measure, `name` or `owned`. :raises NotFound: there is none.
    """
    row = session.get(VesselRow, vessel_id)
    if row is None:
        raise NotFound("vessel", vessel_id)
    row.name, row.owned = check_name(name), _owned(owned)
    content = _content(record)
    row.kind, row.document = content["kind"], content["document"]
    session.flush()
    return _stored(row)


def _owned(owned: int) -> int:
    if not 1 <= owned <= MOST_OWNED:
        raise BadInput(("owned",), f"{owned}", f"1 to {MOST_OWNED}", "out-of-range")
    return owned


def _content(record: Mapping[str, Any]) -> dict[str, str]:
    try:
        vessel_from(record)
    except BadInput as problem:
        raise problem.under("vessel") from None
    document = json.dumps({key: value for key, value in record.items() if value is not None}, allow_nan=False)
    return {"kind": record["kind"], "document": document}


def delete_vessel(session: Session, vessel_id: int) -> None:
    """Delete a vessel.

    :raises NotFound: there is none.
    """
    get_vessel(session, vessel_id)
    session.execute(delete(VesselRow).where(VesselRow.id == vessel_id))


def _stored(row: VesselRow) -> StoredVessel:
    return StoredVessel(id=row.id, name=row.name, owned=row.owned, vessel=whole_vessel(json.loads(row.document)))
