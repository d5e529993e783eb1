"""Scales: the open door for settled weights of any scale."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime
from typing import Final

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.recipe.recipe import check_name
from hearth_bowl.service.moments import checked_moment
from hearth_bowl.store.models import WeightRow

MOST_WEIGHTS: Final = 5000
LEAST_G: Final = -100.0
MOST_G: Final = 100_000.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Weight:
    """A settled weight [g]; without a moment, now counts."""

    g: float
    at: datetime | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Scale:
    """A scale with its last settled weight."""

    id: str
    g: float
    at: datetime


def add_weights(session: Session, scale_id: str, weights: Sequence[Weight], now: datetime) -> int:
    """Store settled weights of a scale, all or none.

    :raises BadInput: naming the weight and field.
    """
    if not 1 <= len(weights) <= MOST_WEIGHTS:
        raise BadInput(("weights",), f"{len(weights)} weights", f"1 to {MOST_WEIGHTS}", "out-of-range")
    name = check_name(scale_id, "scale_id")
    for position, weight in enumerate(weights):
        path = ("weights", position)
        grams = check_number((*path, "g"), weight.g, LEAST_G, MOST_G, "g")
        at = now if weight.at is None else checked_moment((*path, "at"), weight.at)
        session.add(WeightRow(scale_id=name, at=at, shown_g=grams))
    session.flush()
    return len(weights)


def list_scales(session: Session) -> list[Scale]:
    """Return every scale that ever spoke with its last settled weight, the one that spoke last first."""
    newest = select(func.max(WeightRow.id)).group_by(WeightRow.scale_id)
    rows = session.scalars(
        select(WeightRow).where(WeightRow.id.in_(newest)).order_by(WeightRow.at.desc(), WeightRow.id.desc())
    )
    return [Scale(id=row.scale_id, g=row.shown_g, at=row.at) for row in rows]
