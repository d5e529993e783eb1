"""A confection worked out in one go: every part to the gram, what is made and melted, what follows for the piece."""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass
from math import ceil, floor
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.assess.assess import Assessment
from hearth_bowl.core.confection.balls import roll_balls
from hearth_bowl.core.confection.cake import spread_cake
from hearth_bowl.core.confection.cautions import confection_cautions
from hearth_bowl.core.confection.cavities import fill_cavities
from hearth_bowl.core.confection.confection import Confection, Form, Part, checked_confection
from hearth_bowl.core.confection.declared import Declared, declared, falling
from hearth_bowl.core.confection.keeping import PieceKeeping, assessed, piece_keeping
from hearth_bowl.core.confection.laid import Body, Given, Laid, PartLaid
from hearth_bowl.core.confection.outside import lay_outside
from hearth_bowl.core.confection.slab import lay_slab
from hearth_bowl.core.confection.stuff import stuff_of
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit.ask import kind_of
from hearth_bowl.core.geometry.numbers import FLOOR_GUARD
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.keep.cautions import Caution
from hearth_bowl.core.keep.texture import texture_words
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.recipe.recipe import Recipe

_FORMS: Final[Mapping[str, Callable[[Form, Sequence[Given]], Laid]]] = MappingProxyType(
    {
        "pan": lay_slab,
        "mould": fill_cavities,
        "cup": fill_cavities,
        "scoop": roll_balls,
        "pieces": roll_balls,
        "cake": spread_cake,
    }
)


@dataclass(frozen=True, slots=True, kw_only=True)
class Weigh:
    """An ingredient to weigh in [g]."""

    ingredient: Ingredient
    amount_g: float


@dataclass(frozen=True, slots=True, kw_only=True)
class WorkedPart:
    """A part worked out: of one piece, of all `pieces` that have it, and what is made of it [g, ml, mm].

    make = total + offcut + left over + loss + evaporated.
    """

    part: Part
    name: str
    pieces: int
    each_g: float
    each_ml: float
    total_g: float
    offcut_g: float
    left_over_g: float
    loss_g: float
    evaporated_g: float
    make_g: float
    weigh: tuple[Weigh, ...]
    mm: float | None
    from_mm: float | None
    to_mm: float | None
    gives_way: bool
    is_chocolate: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class Batch:
    """What is made in one go though several parts are of it: a recipe, and what of it in all [g]."""

    recipe: Recipe
    make_g: float
    weigh: tuple[Weigh, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Melt:
    """Chocolate to melt: kept on the pieces + what comes back = melted [g]."""

    ingredient: Ingredient
    kept_g: float
    back_g: float

    @property
    def melt_g(self) -> float:
        """Return what is melted."""
        return self.kept_g + self.back_g


@dataclass(frozen=True, slots=True, kw_only=True)
class LeftOver:
    """What is left over of a part or cut off it [g], and how many more pieces it would fill."""

    name: str
    g: float
    would_make: int


@dataclass(frozen=True, slots=True, kw_only=True)
class PerPiece:
    """One finished piece, as weighed in."""

    g: float
    energy_kcal: float
    sugar_g: float
    fat_g: float
    alcohol_g: float


@dataclass(frozen=True, slots=True, kw_only=True)
class ExtraCount:
    """How many of something that goes with the pieces."""

    name: str
    count: int


@dataclass(frozen=True, slots=True, kw_only=True)
class Worked:
    """A confection worked out; `laid` is how its form is filled."""

    confection: Confection
    laid: Laid
    pieces: int
    piece_g: float
    parts: tuple[WorkedPart, ...]
    batches: tuple[Batch, ...]
    chocolate: tuple[Melt, ...]
    left_over: tuple[LeftOver, ...]
    extras: tuple[ExtraCount, ...]
    per_piece: PerPiece
    allergens: tuple[str, ...]
    allergens_named: tuple[Declared, ...]
    ingredients: tuple[tuple[Ingredient, float], ...]
    keeping: PieceKeeping
    cautions: tuple[Caution, ...]
    texture: tuple[str, ...]
    body: Body
    notes: tuple[str, ...]

    @property
    def turns(self) -> int | None:
        """How many times the moulds that are owned get filled; None where nothing is poured into cavities."""
        return None if self.laid.pours is None else ceil(self.laid.pours / self.confection.form.owned)


def work_out(confection: Confection, kitchen: Kitchen | None = None) -> Worked:
    """Return a confection worked out.

    :raises BadInput: naming what cannot be, with its limit, as the confection's file has it.
    """
    checked_confection(confection)
    kitchen = kitchen or Kitchen()
    given = []
    for position, part in enumerate(confection.parts):
        try:
            given.append(Given(position=position, part=part, stuff=stuff_of(part, confection.form, kitchen)))
        except BadInput as problem:
            raise problem.under("parts", position, "of") from None
    laid = _FORMS[kind_of(confection.form.vessel)](confection.form, given)
    lay_outside(confection.form, given, laid)
    there = [one for one in given if one.position in laid.parts]
    parts = tuple(_worked(one, laid.parts[one.position]) for one in there)
    each_g = [part.each_g for part in parts]
    found = [assessed(one) for one in there]
    per_piece = _per_piece(there, each_g)
    names = declared(there)
    return Worked(
        confection=confection,
        laid=laid,
        pieces=laid.pieces,
        piece_g=per_piece.g,
        parts=parts,
        batches=_batches(there, parts),
        chocolate=_chocolate(there, parts, laid),
        left_over=_left_over(parts),
        extras=tuple(ExtraCount(name=extra.name, count=extra.each * laid.pieces) for extra in confection.extras),
        per_piece=per_piece,
        allergens=tuple(sorted({one.group for one in names})),
        allergens_named=names,
        ingredients=falling(there, each_g),
        keeping=piece_keeping(there, found),
        cautions=confection_cautions(confection, there, found, per_piece.alcohol_g, laid.outside),
        texture=_texture(there, found),
        body=laid.body,
        notes=tuple(dict.fromkeys(laid.notes)),
    )


def _texture(given: Sequence[Given], found: Sequence[Assessment]) -> tuple[str, ...]:
    """Return what goes first of each mass's texture, in the order of the parts."""
    told = [
        texture_words(one.stuff.recipe, row.water_activity.estimate)
        for one, row in zip(given, found, strict=True)
        if not one.stuff.is_bought
    ]
    return tuple(dict.fromkeys(words for words in told if words))


def _worked(one: Given, part: PartLaid) -> WorkedPart:
    stuff, total_g = one.stuff, part.each_g * part.pieces
    kept_g = total_g + part.offcut_g + part.left_over_g
    make_g = one.part.mass_g if one.part.mass_g is not None else stuff.make_g(kept_g)
    evaporated_g = make_g * (1 - stuff.made.left_share)
    return WorkedPart(
        part=one.part,
        name=stuff.name,
        pieces=part.pieces,
        each_g=part.each_g,
        each_ml=part.each_ml,
        total_g=total_g,
        offcut_g=part.offcut_g,
        left_over_g=part.left_over_g,
        loss_g=make_g - evaporated_g - kept_g,
        evaporated_g=evaporated_g,
        make_g=make_g,
        weigh=_weigh(stuff.shares(), make_g),
        mm=part.mm,
        from_mm=part.from_mm,
        to_mm=part.to_mm,
        gives_way=part.gives_way,
        is_chocolate=stuff.is_chocolate,
    )


def _weigh(shares: Sequence[tuple[Ingredient, float]], make_g: float) -> tuple[Weigh, ...]:
    return tuple(Weigh(ingredient=ingredient, amount_g=share * make_g) for ingredient, share in shares)


def _batches(given: Sequence[Given], parts: Sequence[WorkedPart]) -> tuple[Batch, ...]:
    """Return each recipe once, however many parts are of it."""
    made: list[tuple[Given, float]] = []
    for one, part in zip(given, parts, strict=True):
        if one.stuff.is_bought:
            continue
        at = next((i for i, (other, _) in enumerate(made) if other.stuff.recipe == one.stuff.recipe), None)
        if at is None:
            made.append((one, part.make_g))
        else:
            made[at] = (made[at][0], made[at][1] + part.make_g)
    return tuple(
        Batch(recipe=one.stuff.recipe, make_g=make_g, weigh=_weigh(one.stuff.shares(), make_g)) for one, make_g in made
    )


def _chocolate(given: Sequence[Given], parts: Sequence[WorkedPart], laid: Laid) -> tuple[Melt, ...]:
    """Return the chocolate to melt, by ingredient: one melt serves every part, and what comes back serves again."""
    kept: dict[str, float] = {}
    back: dict[str, float] = {}
    by_label: dict[str, Ingredient] = {}
    for one, part in zip(given, parts, strict=True):
        if not one.stuff.is_chocolate:
            continue
        for ingredient, share in one.stuff.shares():
            label = ingredient.label
            by_label[label] = ingredient
            kept[label] = kept.get(label, 0.0) + share * part.make_g
            back[label] = max(back.get(label, 0.0), share * laid.parts[one.position].pool_g)
    return tuple(Melt(ingredient=by_label[label], kept_g=kept[label], back_g=back[label]) for label in kept)


def _left_over(parts: Sequence[WorkedPart]) -> tuple[LeftOver, ...]:
    found = []
    for part in parts:
        for words, grams in (("", part.left_over_g), (", cut off", part.offcut_g)):
            if grams > FLOOR_GUARD * max(1.0, part.make_g):
                more = floor(grams / part.each_g + FLOOR_GUARD) if part.each_g > 0 and not words else 0
                found.append(LeftOver(name=part.name + words, g=grams, would_make=more))
    return tuple(found)


def _per_piece(given: Sequence[Given], each_g: Sequence[float]) -> PerPiece:
    energy = sugar = fat = alcohol = 0.0
    for one, grams in zip(given, each_g, strict=True):
        eaten = one.stuff.eaten
        share = grams / eaten.mass_g
        energy += share * eaten.energy_kcal
        sugar += share * eaten.sugars_g
        fat += share * eaten.fat_g
        alcohol += share * eaten.grams["ethanol"]
    return PerPiece(g=sum(each_g), energy_kcal=energy, sugar_g=sugar, fat_g=fat, alcohol_g=alcohol)
