"""An assortment: so many boxes of so many of each piece, with the totals of what they share."""

from collections import defaultdict
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from math import ceil
from typing import Final

from hearth_bowl.core.boxes.pours import PourJob, PourPlan, plan_pours
from hearth_bowl.core.boxes.shopping import ShoppingList, Stock, shop
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit import Ask, Fit, Shell, fit
from hearth_bowl.core.fit.ask import USUAL_COAT_MM, CakeAsk, CupAsk, MouldAsk, chocolate_of
from hearth_bowl.core.fit.dipping import LIQUID_CHOCOLATE_G_PER_ML, pool_g
from hearth_bowl.core.fit.moulded import in_halves
from hearth_bowl.core.fit.vessel import Box, Cup, Mould, Vessel
from hearth_bowl.core.geometry.cakes import Cake
from hearth_bowl.core.geometry.cavities import Weighed
from hearth_bowl.core.geometry.numbers import FLOOR_GUARD
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.mass.mixture import Mixture
from hearth_bowl.core.mass.tempering import tempering_kind
from hearth_bowl.core.recipe.recipe import Recipe

MOST_ROWS: Final = 30
MOST_BOXES: Final = 2000
MOST_PER_BOX: Final = 200
PAPER_MM: Final = 1.0
"""What a paper case takes round a piece: a judgement."""


@dataclass(frozen=True, slots=True, kw_only=True)
class RowAsk:
    """One kind of piece: its recipe and vessel, how many of it go into a box, and how many more are made.

    `vessel_name` and `owned` count moulds; with `whole_moulds` the last mould is filled up.
    """

    recipe: Recipe
    vessel: Vessel
    vessel_name: str
    ask: Ask
    per_box: int
    spares: int = 0
    owned: int = 1
    whole_moulds: bool = False
    finished: Mixture | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class OtherShell:
    """The same piece in another chocolate: what one piece costs then."""

    label: str
    name: str
    cost_per_piece: float
    needs_tempering: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class Row:
    """What one kind of piece takes; `extra` pieces are made beyond boxes and spares to fill the last mould or pan."""

    fit: Fit
    pieces: int
    extra: int
    cost_per_piece: float | None
    other_shells: tuple[OtherShell, ...]


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
    """All boxes: each row, the recipes' totals, the pours of each chocolate, what to buy, and how a box fills."""

    rows: tuple[Row, ...]
    pieces: int
    recipes: tuple[RecipeTotal, ...]
    pours: tuple[PourPlan, ...]
    shopping: ShoppingList
    cost_per_box: float | None
    box: BoxRoom | None


def plan_boxes(
    rows: Sequence[RowAsk],
    boxes: int,
    stock: Mapping[str, Stock],
    chocolates: Sequence[Ingredient] = (),
    pot_g: float | None = None,
    box: Box | None = None,
) -> Assortment:
    """Return what so many boxes take.

    :param chocolates: those that a shell might be made of instead; only those with a price are offered.
    :raises BadInput: below `rows`, at `boxes` or `pot_g`.
    """
    if not 1 <= len(rows) <= MOST_ROWS:
        raise BadInput(("rows",), f"{len(rows)} kinds of piece", f"1 to {MOST_ROWS}", "out-of-range")
    if not 1 <= boxes <= MOST_BOXES:
        raise BadInput(("boxes",), f"{boxes} boxes", f"1 to {MOST_BOXES}", "out-of-range")
    price_g = _prices(stock)
    made = []
    for position, row in enumerate(rows):
        try:
            made.append(_row(row, boxes, price_g, chocolates))
        except BadInput as problem:
            raise problem.under("rows", position) from None
    plans = _pours(rows, made, pot_g)
    return Assortment(
        rows=tuple(made),
        pieces=sum(row.pieces for row in made),
        recipes=_recipes(rows, made),
        pours=plans,
        shopping=_shopping(rows, made, plans, stock),
        cost_per_box=_cost_per_box(rows, made),
        box=None if box is None else _room(rows, made, box),
    )


def _row(row: RowAsk, boxes: int, price_g: Mapping[str, float], chocolates: Sequence[Ingredient]) -> Row:
    for name, value, least, most in (
        ("per_box", row.per_box, 1, MOST_PER_BOX),
        ("spares", row.spares, 0, 10_000),
        ("owned", row.owned, 1, 100),
    ):
        if not least <= value <= most:
            raise BadInput((name,), f"{value}", f"{least} to {most}", "out-of-range")
    if isinstance(row.vessel, Cake | Box) or isinstance(row.ask, CakeAsk):
        raise BadInput(("vessel",), "no pieces come out of it", "a pan, mould, scoop, cup or pieces", "not-for-this")
    asked = boxes * row.per_box + row.spares
    pieces = _whole(row, asked) if row.whole_moulds else asked
    found = fit(row.recipe, row.vessel, replace(row.ask, mass_g=None, pieces=pieces, spares=0), row.finished)
    made = found.pieces or pieces
    return Row(
        fit=found,
        pieces=made,
        extra=made - asked,
        cost_per_piece=_cost_per_piece(row.recipe, found, price_g),
        other_shells=_other_shells(row, found, price_g, chocolates),
    )


def _whole(row: RowAsk, asked: int) -> int:
    cavities = _cavities(row.vessel)
    per_piece = _per_piece(row)
    return ceil(asked * per_piece / cavities - FLOOR_GUARD) * cavities // per_piece


def _per_piece(row: RowAsk) -> int:
    return 2 if isinstance(row.ask, MouldAsk | CupAsk) and in_halves(row.ask) else 1


def _cavities(vessel: Vessel) -> int:
    """Return the cavities of one mould, or the cups there are; 1 for what has none."""
    match vessel:
        case Mould():
            return vessel.cavities
        case Cup():
            return vessel.count
        case _:
            return 1


def _prices(stock: Mapping[str, Stock]) -> dict[str, float]:
    """Return what 1 g costs, of what has a price: the cheapest pack counts."""
    return {
        label: min(pack.price / pack.pack_g for pack in there.packs if pack.price is not None)
        for label, there in stock.items()
        if any(pack.price is not None for pack in there.packs)
    }


def _kept_g(shell: Shell) -> float:
    """Return the chocolate that stays on all pieces, the seams of halves among it."""
    return shell.total_g + shell.pieces * shell.seam_g


def _cost_per_piece(
    recipe: Recipe, found: Fit, price_g: Mapping[str, float], instead: Ingredient | None = None
) -> float | None:
    if not found.pieces:
        return None
    cost = 0.0
    for line, grams in zip(recipe.lines, found.amounts_g, strict=True):
        if grams:
            cost += price_g.get(line.ingredient.label, 0.0) * grams
    for shell in (found.shell, found.later):
        if shell is not None:
            cost += price_g.get(instead.label if instead else shell.ingredient, 0.0) * _kept_g(shell)
    return cost / found.pieces if cost else None


def _other_shells(
    row: RowAsk, found: Fit, price_g: Mapping[str, float], chocolates: Sequence[Ingredient]
) -> tuple[OtherShell, ...]:
    if found.shell is None:
        return ()
    others = []
    for chocolate in chocolates:
        if chocolate.label == found.shell.ingredient or chocolate.label not in price_g:
            continue
        cost = _cost_per_piece(row.recipe, found, price_g, chocolate)
        if cost is not None:
            others.append(
                OtherShell(
                    label=chocolate.label,
                    name=chocolate.name,
                    cost_per_piece=cost,
                    needs_tempering=tempering_kind(chocolate) != "compound",
                )
            )
    return tuple(sorted(others, key=lambda other: other.cost_per_piece))


def _recipes(rows: Sequence[RowAsk], made: Sequence[Row]) -> tuple[RecipeTotal, ...]:
    totals: dict[int, RecipeTotal] = {}
    for row, result in zip(rows, made, strict=True):
        before = totals.get(id(row.recipe))
        batch_g = result.fit.batch_g + (before.batch_g if before else 0.0)
        totals[id(row.recipe)] = RecipeTotal(name=row.recipe.name, batch_g=batch_g, scale=batch_g / row.recipe.mass_g)
    return tuple(totals.values())


def _pours(rows: Sequence[RowAsk], made: Sequence[Row], pot_g: float | None) -> tuple[PourPlan, ...]:
    by_chocolate: dict[str, list[PourJob]] = {}
    for row, result in zip(rows, made, strict=True):
        for shell in (result.fit.shell, result.fit.later):
            if shell is not None:
                by_chocolate.setdefault(shell.ingredient, []).append(_job(row, result.fit, shell))
    return tuple(plan_pours(jobs, pot_g) for jobs in by_chocolate.values())


def _job(row: RowAsk, found: Fit, shell: Shell) -> PourJob:
    if found.cavity is None:
        assert not isinstance(row.ask, MouldAsk | CupAsk | CakeAsk)  # only these have cavities, or no pieces
        height_mm = found.ball_mm if found.ball_mm is not None else (found.thickness_mm or 0.0)
        return PourJob(
            name=row.recipe.name,
            chocolate=shell.ingredient,
            dip_g=shell.total_g,
            pool_g=pool_g(height_mm, row.ask.dip_bowl_mm),
        )
    per_piece = _per_piece(row)
    cavities = _cavities(row.vessel)
    return PourJob(
        name=row.recipe.name,
        chocolate=shell.ingredient,
        cavities=shell.pieces * per_piece,
        mould=row.vessel_name,
        mould_cavities=cavities,
        owned=row.owned,
        flood_g=found.cavity.cavity_ml * LIQUID_CHOCOLATE_G_PER_ML,
        kept_g=shell.shell_g / per_piece,
        cap_g=(shell.cap_g + shell.seam_g) / per_piece,
    )


def _shopping(
    rows: Sequence[RowAsk], made: Sequence[Row], plans: Sequence[PourPlan], stock: Mapping[str, Stock]
) -> ShoppingList:
    needs: dict[str, float] = defaultdict(float)
    names: dict[str, str] = {}
    for row, result in zip(rows, made, strict=True):
        for line, grams in zip(row.recipe.lines, result.fit.amounts_g, strict=True):
            if grams:
                needs[line.ingredient.label] += grams
                names[line.ingredient.label] = line.ingredient.name
    chocolates = [chocolate_of(row.ask) for row in rows]
    shells = {chocolate.label: chocolate.name for chocolate in chocolates if chocolate is not None}
    for plan in plans:
        needs[plan.chocolate] += plan.melted_g
        names[plan.chocolate] = shells.get(plan.chocolate, plan.chocolate)
    return shop(needs, names, stock)


def _cost_per_box(rows: Sequence[RowAsk], made: Sequence[Row]) -> float | None:
    costs = [
        result.cost_per_piece * row.per_box
        for row, result in zip(rows, made, strict=True)
        if result.cost_per_piece is not None
    ]
    return sum(costs) if costs else None


def _room(rows: Sequence[RowAsk], made: Sequence[Row], box: Box) -> BoxRoom:
    covered = 0.0
    for row, result in zip(rows, made, strict=True):
        covered += row.per_box * footprint_mm2(row.vessel, result.fit)
    share = covered / (box.length_mm * box.width_mm)
    return BoxRoom(covered_pct=100 * share, layers=max(1, ceil(share - FLOOR_GUARD)))


def footprint_mm2(vessel: Vessel, found: Fit) -> float:
    """Return the oblong that one piece takes in a box, its coat and a paper case of 1 mm round it; an estimate."""
    more = 2 * (PAPER_MM + (USUAL_COAT_MM if found.shell is not None and found.cavity is None else 0.0))
    if found.piece_mm is not None:
        return (found.piece_mm[0] + more) * (found.piece_mm[1] + more)
    if found.ball_mm is not None:
        return (found.ball_mm + more) ** 2
    if isinstance(vessel, Mould | Cup):
        cavity = vessel.cavity if isinstance(vessel, Mould) else Weighed(vessel.volume_ml)
        long_mm, wide_mm = cavity.rim_mm
        return (long_mm + more) * (wide_mm + more)
    return 0.0
