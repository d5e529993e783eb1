"""Cards: read in this kitchen, in its own vessels where a card names none, and looked at before they are stored."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import Any

from sqlalchemy.orm import Session

from hearth_bowl.core.confection.drawn import Tint, tint_of
from hearth_bowl.core.confection.price import PieceCost, piece_cost
from hearth_bowl.core.confection.work_out import work_out
from hearth_bowl.core.errors import BadInput
from hearth_bowl.formats.confection_file import ConfectionAnswer, confection_answer, confection_from
from hearth_bowl.formats.vessel_file import VesselFile, whole_vessel
from hearth_bowl.formats.written_file import WrittenRecord
from hearth_bowl.service.larder import prices_per_g
from hearth_bowl.service.settings import get_settings
from hearth_bowl.service.vessels import list_vessels, named_measures


@dataclass(frozen=True, slots=True, kw_only=True)
class LookedAt:
    """A confection file worked out in this kitchen, with its vessel as it is drawn. Nothing of it is stored."""

    answer: ConfectionAnswer
    tints: tuple[Tint, ...]
    cost: PieceCost | None
    vessel: VesselFile


def look_at(session: Session, record: Mapping[str, Any]) -> LookedAt:
    """Return a confection file worked out with this kitchen's prices and altitude.

    :raises BadInput: naming the field, as the file has it.
    """
    worked = work_out(confection_from(record), get_settings(session).kitchen)
    vessel = whole_vessel(record["form"]["vessel"])
    return LookedAt(
        answer=confection_answer(worked),
        tints=tuple(tint_of(part) for part in worked.parts),
        cost=piece_cost(worked, prices_per_g(session)),
        vessel=vessel,
    )


def in_own_vessel(session: Session, read: WrittenRecord) -> WrittenRecord:
    """Return what was read, in the kitchen's own vessel where the card names none: the last one that suits."""
    if read.whole is None or read.vessel_said:
        return read
    kind = read.whole["form"]["vessel"]["kind"]
    for stored in sorted(list_vessels(session), key=lambda one: one.id, reverse=True):
        if stored.vessel["kind"] != kind:
            continue
        whole = {**read.whole, "form": {**read.whole["form"], "vessel": named_measures(stored)}}
        try:
            work_out(confection_from(whole))
        except BadInput:
            continue
        taken = f"the card names no vessel: your {stored.name} is taken"
        doubts = tuple(replace(one, why=taken) if "suggested" in one.why else one for one in read.whole_unsure)
        confection = None if read.confection is None else whole
        return replace(read, whole=whole, confection=confection, whole_unsure=doubts)
    return read
