"""What a confection costs, from the prices of packs: all that is weighed in, and the chocolate that stays on it."""

from collections.abc import Mapping
from dataclasses import dataclass

from hearth_bowl.core.confection.work_out import Worked


@dataclass(frozen=True, slots=True, kw_only=True)
class PieceCost:
    """Cost of all pieces and of one, and the names of what has no price (then it is at least this much)."""

    batch: float
    per_piece: float
    unpriced: tuple[str, ...]


def piece_cost(worked: Worked, price_per_g: Mapping[str, float]) -> PieceCost | None:
    """Return the cost of a confection, or None where nothing in it has a price.

    :param price_per_g: by ingredient label, in the person's own currency.
    """
    rows = [row for part in worked.parts for row in part.weigh if row.amount_g > 0]
    priced = [row for row in rows if row.ingredient.label in price_per_g]
    if not priced:
        return None
    batch = sum(price_per_g[row.ingredient.label] * row.amount_g for row in priced)
    unpriced = dict.fromkeys(row.ingredient.name for row in rows if row.ingredient.label not in price_per_g)
    return PieceCost(batch=batch, per_piece=batch / worked.pieces, unpriced=tuple(unpriced))
