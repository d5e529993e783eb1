"""An assortment: so many boxes of so many of each piece, with the totals of what they share."""

from collections import defaultdict
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from math import ceil
from typing import Final

from hearth_bowl.core.boxes.pours import PourJob, PourPlan, plan_pours
from hearth_bowl.core.boxes.shopping import ShoppingList, Stock, prices_of, shop
from hearth_bowl.core.boxes.work_order import WorkStep, nut_rank, work_order
from hearth_bowl.core.confection.confection import INNER, Confection
from hearth_bowl.core.confection.declared import Declared
from hearth_bowl.core.confection.keeping import PieceKeeping
from hearth_bowl.core.confection.laid import Ball, Block, PartLaid
from hearth_bowl.core.confection.price import PieceCost, piece_cost
from hearth_bowl.core.confection.work_out import ExtraCount, Weigh, Worked, WorkedPart, work_out
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit.dipping import LIQUID_CHOCOLATE_G_PER_ML
from hearth_bowl.core.fit.vessel import Box, Cup, Mould
from hearth_bowl.core.geometry.cavities import Weighed
from hearth_bowl.core.geometry.numbers import FLOOR_GUARD
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.keep.cautions import Caution
from hearth_bowl.core.keep.keeping import shortest
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.mass.tempering import tempering_kind
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.recipe.weighing import in_spoons

MOST_ROWS: Final = 30  # a judgement
MOST_BOXES: Final = 2000  # a judgement
MOST_PER_BOX: Final = 200  # a judgement
PAPER_MM: Final = 1.0
"""What a paper case takes round a piece: a judgement."""


@dataclass(frozen=True, slots=True, kw_only=True)
class RowAsk:
    """One kind of piece: the confection that it is, how many of it go into a box, and how many more are made.

    How many are made, and how many are coated, is by the boxes, whatever its form says; so is `whole_moulds`, which
    fills the last mould up. Its form's name and `owned` count moulds.
    """

    confection: Confection
    per_box: int
    spares: int = 0
    whole_moulds: bool = False


@dataclass(frozen=True, slots=True, kw_only=True)
class OtherShell:
    """The same piece in another chocolate: what one piece costs then."""

    label: str
    name: str
    cost_per_piece: float
    needs_tempering: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class Row:
    """What one kind of piece takes, and what is to be told of it.

    `extra` pieces are made beyond boxes and spares to fill the last mould or pan; `pours` counts turns of its mould,
    `halves` those of pieces of two. `cost` counts all that is weighed in, and what stays on of its chocolate.
    """

    name: str
    pieces: int
    extra: int
    piece_g: float
    halves: int | None
    pours: int | None
    cost: PieceCost | None
    other_shells: tuple[OtherShell, ...]
    extras: tuple[ExtraCount, ...]
    allergens: tuple[Declared, ...]
    keeping: PieceKeeping
    cautions: tuple[Caution, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class RecipeTotal:
    """One recipe over all rows that use it."""

    name: str
    batch_g: float
    scale: float


@dataclass(frozen=True, slots=True, kw_only=True)
class BoxRoom:
    """How much of one layer of a box its pieces cover [%], and how many layers they take at least."""

    covered_pct: float
    layers: int


@dataclass(frozen=True, slots=True, kw_only=True)
class Assortment:
    """All boxes: each row, the recipes' totals, the pours of each chocolate, what to buy, and how a box fills.

    `allergens` are those of all that is in a box, which is kept no longer than its shortest piece.
    """

    rows: tuple[Row, ...]
    pieces: int
    recipes: tuple[RecipeTotal, ...]
    pours: tuple[PourPlan, ...]
    shopping: ShoppingList
    cost_per_box: float | None
    box: BoxRoom | None
    allergens: tuple[str, ...]
    keeping: PieceKeeping
    order: tuple[WorkStep, ...]


def plan_boxes(
    rows: Sequence[RowAsk],
    boxes: int,
    stock: Mapping[str, Stock],
    chocolates: Sequence[Ingredient] = (),
    pot_g: float | None = None,
    box: Box | None = None,
    kitchen: Kitchen | None = None,
    measure: str = "metric",
) -> Assortment:
    """Return what so many boxes take.

    :param measure: whose spoons and cups are told beside the grams.
    :param chocolates: those that a shell might be made of instead; only those with a price are offered.
    :raises BadInput: below `rows`, at `boxes` or `pot_g`.
    """
    if not 1 <= len(rows) <= MOST_ROWS:
        raise BadInput(("rows",), f"{len(rows)} kinds of piece", f"1 to {MOST_ROWS}", "out-of-range")
    if not 1 <= boxes <= MOST_BOXES:
        raise BadInput(("boxes",), f"{boxes} boxes", f"1 to {MOST_BOXES}", "out-of-range")
    price_g = prices_of(stock)
    worked = []
    for position, row in enumerate(rows):
        try:
            worked.append(_worked(row, boxes, kitchen))
        except BadInput as problem:
            raise problem.under("rows", position) from None
    plans = _pours(worked, pot_g)
    made = [_row(row, boxes, one, price_g, chocolates) for row, one in zip(rows, worked, strict=True)]
    return Assortment(
        rows=tuple(made),
        pieces=sum(row.pieces for row in made),
        recipes=_recipes(worked),
        pours=plans,
        shopping=_shopping(worked, plans, stock, measure),
        cost_per_box=_cost_per_box(rows, made),
        box=None if box is None else _room(rows, worked, box),
        allergens=tuple(sorted({one.group for row in made for one in row.allergens})),
        keeping=shortest([row.keeping for row in made]),
        order=work_order(worked),
    )


def _worked(row: RowAsk, boxes: int, kitchen: Kitchen | None) -> Worked:
    """Return the confection worked out for all boxes."""
    for name, value, least, most in (("per_box", row.per_box, 1, MOST_PER_BOX), ("spares", row.spares, 0, 10_000)):
        if not least <= value <= most:
            raise BadInput((name,), f"{value}", f"{least} to {most}", "out-of-range")
    form = row.confection.form
    if isinstance(form.vessel, Box):
        raise BadInput(("vessel",), "no pieces come out of it", "a pan, mould, scoop, cup or pieces", "not-for-this")
    is_moulded = isinstance(form.vessel, Mould | Cup)
    pieces = boxes * row.per_box + row.spares
    form = replace(form, pieces=pieces, spares=0, whole_moulds=row.whole_moulds and is_moulded)
    parts = tuple(
        replace(part, coated=None, mass_g=None if part.role in INNER else part.mass_g) for part in row.confection.parts
    )
    return work_out(replace(row.confection, form=form, parts=parts), kitchen)


def _row(
    row: RowAsk, boxes: int, worked: Worked, price_g: Mapping[str, float], chocolates: Sequence[Ingredient]
) -> Row:
    laid = worked.laid
    return Row(
        name=worked.confection.name,
        pieces=worked.pieces,
        extra=worked.pieces - boxes * row.per_box - row.spares,
        piece_g=worked.piece_g,
        halves=laid.halves,
        pours=laid.pours,
        cost=piece_cost(worked, price_g),
        other_shells=_other_shells(worked, price_g, chocolates),
        extras=worked.extras,
        allergens=worked.allergens_named,
        keeping=worked.keeping,
        cautions=worked.cautions,
    )


def _other_shells(
    worked: Worked, price_g: Mapping[str, float], chocolates: Sequence[Ingredient]
) -> tuple[OtherShell, ...]:
    """Return what one piece costs in each other chocolate that has a price, where one chocolate is round it."""
    round_it = [part for part in worked.parts if part.part.role in ("shell", "coat") and part.is_chocolate]
    now = piece_cost(worked, price_g)
    if len(round_it) != 1 or len(round_it[0].weigh) != 1 or now is None:
        return ()
    (weighed,) = round_it[0].weigh
    label, shell_g = weighed.ingredient.label, weighed.amount_g
    others = [
        OtherShell(
            label=chocolate.label,
            name=chocolate.name,
            cost_per_piece=(now.batch + (price_g[chocolate.label] - price_g.get(label, 0.0)) * shell_g) / worked.pieces,
            needs_tempering=tempering_kind(chocolate) != "compound",
        )
        for chocolate in chocolates
        if chocolate.label != label and chocolate.label in price_g
    ]
    return tuple(sorted(others, key=lambda other: other.cost_per_piece))


def _recipes(worked: Sequence[Worked]) -> tuple[RecipeTotal, ...]:
    """Return each recipe once, however many confections it goes into."""
    made: list[tuple[Recipe, float]] = []
    for batch in (batch for one in worked for batch in one.batches):
        at = next((position for position, (recipe, _) in enumerate(made) if recipe == batch.recipe), None)
        if at is None:
            made.append((batch.recipe, batch.make_g))
        else:
            made[at] = (batch.recipe, made[at][1] + batch.make_g)
    return tuple(
        RecipeTotal(name=recipe.name, batch_g=batch_g, scale=batch_g / recipe.mass_g) for recipe, batch_g in made
    )


def _pours(worked: Sequence[Worked], pot_g: float | None) -> tuple[PourPlan, ...]:
    by_chocolate: dict[str, list[PourJob]] = {}
    for one in worked:
        for position, part in zip(sorted(one.laid.parts), one.parts, strict=True):
            if part.is_chocolate:
                job = _job(one, part, one.laid.parts[position])
                by_chocolate.setdefault(job.chocolate, []).append(job)
    return tuple(plan_pours(jobs, pot_g) for jobs in by_chocolate.values())


def _label(part: WorkedPart) -> str:
    """Return the chocolate that stands in the pot: an ingredient's label, or a blend's name."""
    return part.weigh[0].ingredient.label if len(part.weigh) == 1 else part.name


def _job(worked: Worked, part: WorkedPart, laid: PartLaid) -> PourJob:
    name, form, cavity = worked.confection.name, worked.confection.form, worked.laid.cavity
    if part.part.role != "shell" or cavity is None:
        return PourJob(name=name, chocolate=_label(part), dip_g=part.make_g, pool_g=laid.pool_g, rank=nut_rank(worked))
    per_piece = 2 if worked.laid.halves else 1
    return PourJob(
        name=name,
        chocolate=_label(part),
        cavities=part.pieces * per_piece,
        mould=form.name,
        mould_cavities=form.vessel.cavities if isinstance(form.vessel, Mould) else max(1, part.pieces),
        owned=form.owned,
        flood_g=cavity.cavity_ml * LIQUID_CHOCOLATE_G_PER_ML,
        kept_g=(part.each_g - laid.cap_g) / per_piece,
        cap_g=laid.cap_g / per_piece,
        rank=nut_rank(worked),
    )


def _shopping(
    worked: Sequence[Worked], plans: Sequence[PourPlan], stock: Mapping[str, Stock], measure: str
) -> ShoppingList:
    """Return what to buy: all that is weighed in, and of chocolate all that is melted."""
    needs: dict[str, float] = defaultdict(float)
    ingredients: dict[str, Ingredient] = {}
    shares: dict[str, tuple[Weigh, ...]] = {}
    for part in (part for one in worked for part in one.parts):
        for row in part.weigh:
            ingredients[row.ingredient.label] = row.ingredient
            if part.is_chocolate:
                shares[_label(part)] = part.weigh
            elif row.amount_g:
                needs[row.ingredient.label] += row.amount_g
    for plan in plans:
        whole_g = sum(row.amount_g for row in shares[plan.chocolate])
        for row in shares[plan.chocolate]:
            needs[row.ingredient.label] += plan.melted_g * row.amount_g / whole_g
    names = {label: one.name for label, one in ingredients.items()}
    spoons = {label: in_spoons(ingredients[label], needed_g, measure) for label, needed_g in needs.items()}
    return shop(needs, names, stock, spoons)


def _cost_per_box(rows: Sequence[RowAsk], made: Sequence[Row]) -> float | None:
    costs = [
        result.cost.per_piece * row.per_box for row, result in zip(rows, made, strict=True) if result.cost is not None
    ]
    return sum(costs) if costs else None


def _room(rows: Sequence[RowAsk], worked: Sequence[Worked], box: Box) -> BoxRoom:
    covered = sum(row.per_box * footprint_mm2(one) for row, one in zip(rows, worked, strict=True))
    share = covered / (box.length_mm * box.width_mm)
    return BoxRoom(covered_pct=100 * share, layers=max(1, ceil(share - FLOOR_GUARD)))


def footprint_mm2(worked: Worked) -> float:
    """Return what one piece covers of a box; an estimate."""
    long_mm, wide_mm = oblong_mm(worked)
    return long_mm * wide_mm


def oblong_mm(worked: Worked) -> tuple[float, float]:
    """Return the oblong that one piece takes in a box, a paper case of 1 mm round it; an estimate, 0 where it has no
    form of its own."""
    vessel, outside = worked.confection.form.vessel, worked.laid.outside
    if isinstance(vessel, Mould | Cup):
        long_mm, wide_mm = (vessel.cavity if isinstance(vessel, Mould) else Weighed(vessel.volume_ml)).rim_mm
    elif isinstance(outside, Ball):
        long_mm = wide_mm = outside.diameter_mm
    elif isinstance(outside, Block):
        long_mm, wide_mm = outside.sides_mm[:2]
    else:
        return 0.0, 0.0
    return long_mm + 2 * PAPER_MM, wide_mm + 2 * PAPER_MM
