"""Vessels: the pans and moulds that a person owns."""

import json
from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from sqlalchemy import delete, select
from sqlalchemy.orm import Session

from hearth_bowl.core.recipe import check_name
from hearth_bowl.formats.vessel_file import vessel_from
from hearth_bowl.service.errors import NotFound
from hearth_bowl.store.models import VesselRow


@dataclass(frozen=True, slots=True, kw_only=True)
class StoredVessel:
    """A vessel with its name. `vessel` is a vessel file's content."""

    id: int
    name: str
    vessel: dict[str, Any]


def list_vessels(session: Session) -> list[StoredVessel]:
    """Return all vessels, pans before moulds."""
    rows = session.scalars(select(VesselRow).order_by(VesselRow.kind.desc(), VesselRow.id))
    return [_stored(row) for row in rows]


def get_vessel(session: Session, vessel_id: int) -> StoredVessel:
    """Return one vessel.

    :raises NotFound: there is none.
    """
    row = session.get(VesselRow, vessel_id)
    if row is None:
        raise NotFound("vessel", vessel_id)
    return _stored(row)


def create_vessel(session: Session, name: str, record: Mapping[str, Any]) -> StoredVessel:
    """Store a vessel.

    :raises BadInput: naming the measure.
    """
    vessel_from(record)
    document = json.dumps({key: value for key, value in record.items() if value is not None}, allow_nan=False)
    row = VesselRow(name=check_name(name), kind=record["kind"], document=document)
    session.add(row)
    session.flush()
    return _stored(row)


def delete_vessel(session: Session, vessel_id: int) -> None:
    """Delete a vessel.

    :raises NotFound: there is none.
    """
    get_vessel(session, vessel_id)
    session.execute(delete(VesselRow).where(VesselRow.id == vessel_id))


def _stored(row: VesselRow) -> StoredVessel:
    return StoredVessel(id=row.id, name=row.name, vessel=json.loads(row.document))
