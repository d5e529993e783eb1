"""What follows at the stove from a weight, a spill, the pan on the scale, and the next microwave burst."""

import json
from collections.abc import Mapping
from datetime import datetime
from typing import Any, Final

from sqlalchemy import select
from sqlalchemy.orm import Session

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.mass.cooking import plan_or_none
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.mass.mixture import mix
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.stove.bursts import Burst, burst_kind, next_burst
from hearth_bowl.core.stove.events import BurstGiven
from hearth_bowl.core.stove.weighed import Follow, PanWeight, follow, pan_weight, spilled
from hearth_bowl.formats.happenings import happening_from
from hearth_bowl.formats.recipe_file import recipe_from
from hearth_bowl.service.batches import batch_row
from hearth_bowl.service.learned import factor_of
from hearth_bowl.service.snapshot import snapshot_of
from hearth_bowl.store.models import BatchEventRow, BatchRow

MOST_BURSTS: Final = 200
"""So many bursts are looked through for a first one: more than any melt of the last batches."""


def batch_record(session: Session, batch_id: int) -> dict[str, Any]:
    """Return the recipe file's content of a batch.

    :raises NotFound: there is no such batch.
    """
    record: dict[str, Any] = json.loads(batch_row(session, batch_id).document)
    return record


def follow_weighed(record: Mapping[str, Any], weighed_g: Mapping[int, float]) -> Follow:
    """Return what is still to go in after some lines were weighed; nothing where all is as it should be.

    :raises BadInput: at `weighed`.
    """
    return follow(recipe_from(record), weighed_g) or Follow(amounts_g={}, says="All as it should be.")


def follow_spill(session: Session, batch_id: int, gone_in: tuple[int, ...], left_g: float) -> Follow:
    """Return what follows when some was spilled.

    :raises BadInput: at `left_g`. :raises NotFound: there is no such batch.
    """
    return spilled(_recipe(session, batch_id), gone_in, left_g)


def weigh_pan(session: Session, batch_id: int, start_g: float, now_g: float, boiled_s: float | None) -> PanWeight:
    """Return how a simmer stands by the scale.

    :raises BadInput: at `start_g` or `now_g`; at `batch` when nothing is boiled down. :raises NotFound: no such batch.
    """
    recipe = _recipe(session, batch_id)
    kitchen = Kitchen(altitude_m=snapshot_of(session, batch_row(session, batch_id)).altitude_m)
    plan = plan_or_none(recipe, kitchen)
    if plan is None:
        raise BadInput(("start_g",), "nothing is boiled down in it", "a boiled or simmered family", "not-for-this")
    return pan_weight(start_g, now_g, plan.cooked.evaporated_g, boiled_s)


def burst(
    session: Session,
    batch_id: int,
    now_c: float,
    unmelted_share: float,
    rated_w: float,
    bursts_before: int,
    now: datetime,
) -> Burst:
    """Return the next microwave burst; a first one that did well before is its record, carried to this mass.

    The newest of the same recipe in the same oven counts, else the newest of a mass of the same kind.

    :raises BadInput: naming the field. :raises NotFound: there is no such batch.
    """
    row = batch_row(session, batch_id)
    recipe = _recipe(session, batch_id)
    mixture = mix(recipe)
    kind = burst_kind(recipe, mixture)
    record = _burst_record(session, row, kind, rated_w) if bursts_before == 0 else None
    slower = factor_of(session, f"burst:{rated_w:.0f} W", now)
    return next_burst(mixture, kind, now_c, unmelted_share, rated_w, bursts_before, record, slower)


def _burst_record(session: Session, row: BatchRow, kind: str, rated_w: float) -> tuple[float, float] | None:
    """Return the (mass [g], s) of the newest first burst in this oven: of this recipe, else of such a kind of mass."""
    wanted = (
        select(BatchEventRow.data, BatchRow.recipe_id, BatchRow.document)
        .join(BatchRow, BatchRow.id == BatchEventRow.batch_id)
        .where(BatchEventRow.kind == "burst", BatchRow.id != row.id)
        .order_by(BatchEventRow.id.desc())
        .limit(MOST_BURSTS)
    )
    other: tuple[float, float] | None = None
    for text, recipe_id, document in session.execute(wanted):
        given = happening_from("burst", text)
        if not (isinstance(given, BurstGiven) and given.first and given.rated_w == rated_w and given.seconds > 0):
            continue
        recipe = recipe_from(json.loads(document))
        found = (recipe.mass_g, given.seconds)
        if recipe_id is not None and recipe_id == row.recipe_id:
            return found
        if other is None and burst_kind(recipe, mix(recipe)) == kind:
            other = found
    return other


def _recipe(session: Session, batch_id: int) -> Recipe:
    return recipe_from(batch_record(session, batch_id))
