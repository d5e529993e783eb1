"""Other sizes of a confection: near it by whole packs, recipe or moulds, and its batch in another vessel."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, replace
from math import ceil, floor
from types import MappingProxyType
from typing import Final, TypeVar

from hearth_bowl.core.confection.confection import INNER, AnyForm, AnyPart, Confection
from hearth_bowl.core.confection.work_out import Worked, WorkedPart, work_out
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit.ask import kind_of
from hearth_bowl.core.geometry.numbers import FLOOR_GUARD
from hearth_bowl.core.ingredients.packs import usual_pack_g
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.recipe.recipe import Line, Recipe

F = TypeVar("F", bound=AnyForm)
P = TypeVar("P", bound=AnyPart)

NEAR: Final = 0.5
"""Largest change of the batch, as a share, for a pack to count as near. A judgement."""
SAME: Final = 0.005  # a judgement
MOST_SIZES: Final = 6  # a limit, by definition
TAKES_ANY_MASS: Final = "pan"
"""Kind of vessel in which more stands deeper. Others come in whole pieces."""
SLAB_MM: Final = MappingProxyType({"cut": (12.0, 28.0), "pour": (2.0, 8.0), "glaze": (2.0, 8.0)})
"""Usual thickness of a slab [mm], by use. Others are spread to cool. A judgement."""
OTHER_SLAB_MM: Final = (8.0, 30.0)  # a judgement


@dataclass(frozen=True, slots=True, kw_only=True)
class Size:
    """How much to make: `mass_g` of the part at `part`, or a number of pieces."""

    part: int
    mass_g: float | None = None
    pieces: int | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class NearSize:
    """A size near the present one: what it uses whole, what comes of it, and the change of the batch as a share."""

    says: str
    gives: str
    change: float
    size: Size


@dataclass(frozen=True, slots=True, kw_only=True)
class Suits:
    """What a batch makes of a vessel; `off` is 0 for the best suited. Without a size it does not go in."""

    says: str
    off: float
    size: Size | None


def sized(form: F, parts: tuple[P, ...], size: Size) -> tuple[F, tuple[P, ...]]:
    """Return a form and its parts at another size; a slab keeps its number of pieces."""
    if size.pieces is not None:
        main = parts[size.part]
        freed = main.with_amount() if main.mass_g is not None else main
        return replace(form, pieces=size.pieces, spares=0, whole_moulds=False), _with(parts, size.part, freed)
    return form, _with(parts, size.part, parts[size.part].with_amount("mass_g", size.mass_g))


def at_size(confection: Confection, size: Size, kitchen: Kitchen | None = None) -> Worked:
    """Return a confection worked out at another size.

    :raises BadInput: it cannot be made so.
    """
    form, parts = sized(confection.form, confection.parts, size)
    return work_out(replace(confection, form=form, parts=parts), kitchen)


def main_part(worked: Worked) -> tuple[int, WorkedPart] | None:
    """Return the mix that most of a confection is made of, with its place among the parts; None without a mix."""
    return max(_mixes(worked), key=lambda found: found[1].make_g, default=None)


def near_sizes(worked: Worked, own_pack_g: Mapping[str, float], kitchen: Kitchen | None = None) -> tuple[NearSize, ...]:
    """Return sizes that use up whole packs or eggs, the recipe as it is, or whole moulds; the nearest first.

    :param own_pack_g: packs in the larder by ingredient label [g]; other ingredients come in their usual pack.
    """
    found = list(_whole_moulds(worked))
    main = main_part(worked)
    for position, part in _mixes(worked):
        recipe = part.part.of
        assert isinstance(recipe, Recipe)
        if main is not None and position == main[0]:
            found += _sizes(
                worked, position, recipe.mass_g / part.make_g, f"The recipe as it is, ⟦{recipe.mass_g:.0f} g⟧"
            )
        for line, grams in zip(recipe.lines, recipe.amounts_g, strict=True):
            now_g = grams * part.make_g / recipe.mass_g
            for unit, pack_g in _packs(line, own_pack_g):
                for count in {floor(now_g / pack_g + FLOOR_GUARD), ceil(now_g / pack_g - FLOOR_GUARD)}:
                    if count and now_g and abs(count * pack_g / now_g - 1) < NEAR:
                        says = f"{count} {_plural(unit, count)} of {line.ingredient.name}, ⟦{count * pack_g:g} g⟧"
                        found += _sizes(worked, position, count * pack_g / now_g, says)
    near = []
    for says, change, size in sorted(found, key=lambda one: abs(one[1])):
        made = _made(worked.confection, size, kitchen)
        if made is not None:
            near.append(NearSize(says=says, gives=_gives(made, size.part), change=change, size=size))
    return tuple(near[:MOST_SIZES])


def suits(confection: Confection, part: int, batch_g: float, kitchen: Kitchen | None = None) -> Suits:
    """Return what `batch_g` of a mix makes in the vessel of a confection, where the mix is the part at `part`."""
    try:
        if kind_of(confection.form.vessel) == TAKES_ANY_MASS:
            size = Size(part=part, mass_g=batch_g)
        else:
            one = at_size(confection, Size(part=part, pieces=1), kitchen)
            pieces = floor(batch_g / one.parts[part].make_g + FLOOR_GUARD)
            if not pieces:
                return Suits(says=f"One piece takes ⟦{one.parts[part].make_g:.0f} g⟧", off=100.0, size=None)
            size = Size(part=part, pieces=pieces)
        worked = at_size(confection, size, kitchen)
    except BadInput as problem:
        return Suits(says=problem.message, off=100.0, size=None)
    says, off = _judged(worked, part)
    return Suits(says=says, off=off, size=size)


def _judged(worked: Worked, part: int) -> tuple[str, float]:
    """Return what comes of a batch, and how far that is from what is usual."""
    of = worked.confection.parts[part].of
    thick = worked.parts[part].mm
    if kind_of(worked.confection.form.vessel) == "pan" and thick is not None:
        low, high = SLAB_MM.get((of.use if isinstance(of, Recipe) else None) or "", OTHER_SLAB_MM)
        if thick < low:
            return f"⟦{thick:.1f} mm⟧ thick, which is thin", 10 + (low - thick) / low
        if thick > high:
            return f"⟦{thick:.0f} mm⟧ thick, which is high", 10 + (thick - high) / high
        return f"⟦{thick:.0f} mm⟧ thick", abs(thick - (low + high) / 2) / (high - low)
    if worked.laid.pours is not None:
        return f"{_gives(worked, part)}, mould filled {_times(worked.laid.pours)}", 1 + 0.2 * worked.laid.pours
    return _gives(worked, part), 5.0


def _times(count: int) -> str:
    return "once" if count == 1 else f"{count} times"


def _gives(worked: Worked, part: int) -> str:
    thick = worked.parts[part].mm
    if kind_of(worked.confection.form.vessel) == TAKES_ANY_MASS and thick is not None:
        return f"⟦{thick:.1f} mm⟧ thick"
    return f"{worked.pieces} {_plural('piece', worked.pieces)}"


def _mixes(worked: Worked) -> Iterator[tuple[int, WorkedPart]]:
    """Yield the parts that are mixes and give the size, each recipe once."""
    seen: list[object] = []
    for position, part in enumerate(worked.parts):
        if part.part.role in INNER and isinstance(part.part.of, Recipe) and part.make_g > 0:
            if part.part.of not in seen:
                yield position, part
            seen.append(part.part.of)


def _sizes(worked: Worked, position: int, scale: float, says: str) -> Iterator[tuple[str, float, Size]]:
    """Yield a size that makes `scale` times as much of a mix, where that is a change."""
    if kind_of(worked.confection.form.vessel) == TAKES_ANY_MASS:
        size, change = Size(part=position, mass_g=round(worked.parts[position].make_g * scale, 1)), scale - 1
    else:
        pieces = floor(worked.pieces * scale + FLOOR_GUARD)
        size, change = Size(part=position, pieces=pieces), pieces / worked.pieces - 1
    if size.pieces != 0 and abs(change) > SAME:
        yield says, change, size


def _whole_moulds(worked: Worked) -> Iterator[tuple[str, float, Size]]:
    if worked.laid.pours is None:
        return
    cavities_a_piece = 2 if worked.confection.form.halves else 1
    used = worked.pieces * cavities_a_piece
    cavities = (used + (worked.laid.spare_cavities or 0)) // worked.laid.pours
    for moulds in {used // cavities, ceil(used / cavities)}:
        pieces = moulds * cavities // cavities_a_piece
        change = pieces / worked.pieces - 1
        if pieces and SAME < abs(change) < NEAR:
            yield f"{moulds} whole {_plural('mould', moulds)}", change, Size(part=0, pieces=pieces)


def _made(confection: Confection, size: Size, kitchen: Kitchen | None) -> Worked | None:
    try:
        return at_size(confection, size, kitchen)
    except BadInput:
        return None


def _packs(line: Line, own_pack_g: Mapping[str, float]) -> list[tuple[str, float]]:
    """Return the packs of a line's ingredient: tins and eggs as they come, else one's own pack, else a usual bar."""
    ingredient = line.ingredient
    sizes = {
        unit: usual_pack_g(ingredient.key, ingredient.kind, unit, line.measure) for unit in ("tin", "piece", "bar")
    }
    found = [(unit, pack_g) for unit in ("tin", "piece") if (pack_g := sizes[unit]) is not None]
    if ingredient.label in own_pack_g and sizes["tin"] is None:
        return [*found, ("pack", own_pack_g[ingredient.label])]
    return found or ([("bar", bar)] if (bar := sizes["bar"]) is not None else [])


def _with(parts: tuple[P, ...], position: int, part: P) -> tuple[P, ...]:
    return (*parts[:position], part, *parts[position + 1 :])


def _plural(unit: str, count: int) -> str:
    return unit if count == 1 else f"{unit}s"
