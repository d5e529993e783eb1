"""Moulds and cups: shell and seam, the fillings on each other, and what gives way."""

from collections.abc import Sequence
from dataclasses import replace
from math import ceil
from typing import Final

from hearth_bowl.core.confection.confection import Form
from hearth_bowl.core.confection.laid import Ball, Body, Given, Laid, PartLaid
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit.ask import NO_SHELL, CupAsk, MouldAsk, WalledAsk, check_ask
from hearth_bowl.core.fit.made import PACKED_SHARE, Made
from hearth_bowl.core.fit.moulded import halves_by_colour, rim_mm2, shell_round, walls_of
from hearth_bowl.core.fit.stacked import FillingAmount, FillingAsk, StackedFilling, fit_stack
from hearth_bowl.core.fit.vessel import Cup, Mould
from hearth_bowl.core.geometry.cavities import CavityVolumes, Weighed, divide
from hearth_bowl.core.geometry.numbers import FLOOR_GUARD
from hearth_bowl.core.geometry.pieces import ball_diameter_mm

ANY_SHELL = "dark60"
"""Walls are reckoned alike whatever chocolate they are of: set chocolate of any kind weighs the same per ml. Source:
handbook of this craft, section F."""


def fill_cavities(form: Form, given: Sequence[Given]) -> Laid:
    """Return a mould's or cup's shell and fillings.

    :raises BadInput: below `parts` or `form`.
    """
    vessel = form.vessel
    assert isinstance(vessel, Mould | Cup)
    mould = vessel if isinstance(vessel, Mould) else Mould(
        shape="cup", cavities=vessel.count, cavity=Weighed(vessel.volume_ml)
    )  # fmt: skip
    shell = next((one for one in given if one.part.role == "shell"), None)
    above_mm = max((one.part.headroom_mm or 0.0 for one in given if one.part.role == "filling"), default=0.0)
    ask = _ask(form, shell, above_mm, in_cups=isinstance(vessel, Cup))
    walls = walls_of(ask)
    per_piece = 2 if form.halves else 1
    try:
        volumes = divide(mould.cavity, walls.wall_mm, walls.cap_mm, walls.headroom_mm)
    except BadInput as problem:
        raise problem if shell is None else problem.under("parts", shell.position) from None
    pieces = _pieces(form, mould, per_piece)
    laid = Laid(
        pieces=pieces,
        body=Body(kind="small", volume_ml=volumes.fill_ml, area_cm2=_surface_cm2(mould, walls.wall_mm)),
        outside=Ball(diameter_mm=ball_diameter_mm(per_piece * volumes.cavity_ml, 1.0)),
        halves=2 * pieces if form.halves else None,
        halves_by_colour=halves_by_colour(pieces, form.colours) if form.halves and form.colours > 1 else None,
        pours=ceil(pieces * per_piece / mould.cavities - FLOOR_GUARD),
        cavity=volumes,
        cap_mm=walls.cap_mm,
    )
    laid.spare_cavities = (laid.pours or 0) * mould.cavities - pieces * per_piece
    if shell is not None:
        _lay_shell(laid, shell, mould, ask, volumes, per_piece)
    fillings = [one for one in given if one.part.role == "filling"]
    if any(one.stuff.recipe.family == "dry-mix" for one in fillings):
        laid.notes.append(f"It goes into a mug wider than ⟦{min(mould.cavity.rim_mm):.0f} mm⟧.")
    if fillings:
        is_loose = form.halves and all(one.part.amount is not None and is_dry(one) for one in fillings)
        if not (is_loose and _lie_below(laid, fillings, vessel, ask, volumes)):
            _lay_fillings(laid, fillings, vessel, ask, volumes, per_piece)
    return laid


DRY_PCT: Final = 12.0
"""Water up to which what is loose stays dry and rolls about in a shell: marshmallows hold more than powders. A
judgement."""


def is_dry(one: Given) -> bool:
    """Return whether a filling is loose and dry: powder, grains, small sweets. It lies in the lower half of a piece."""
    weighed = [(line.ingredient, grams) for line, grams in one.stuff.recipe.weighed]
    loose = all(ingredient.density_is_bulk or ingredient.own_body for ingredient, _ in weighed)
    water_g = sum(ingredient.composition_pct["water"] * grams / 100 for ingredient, grams in weighed)
    mass_g = sum(grams for _, grams in weighed)
    return loose and 100 * water_g <= (MARSHMALLOW_PCT if _is_sweet(one) else DRY_PCT) * mass_g


def _is_sweet(one: Given) -> bool:
    """Return whether a filling is whole sweets alone, which do not wet what lies beside them."""
    return all(line.ingredient.own_body for line, _ in one.stuff.recipe.weighed)


MARSHMALLOW_PCT: Final = 25.0
"""Water up to which whole sweets are counted as dry. A judgement."""


def _ask(form: Form, shell: Given | None, above_mm: float, *, in_cups: bool) -> WalledAsk:
    """Return the ask of the walls; without a shell only the room left above the filling."""
    kind: type[MouldAsk] | type[CupAsk] = CupAsk if in_cups else MouldAsk
    if shell is None:
        return kind(shell=NO_SHELL, headroom_mm=above_mm, **({} if in_cups else {"halves": form.halves}))  # type: ignore[arg-type]
    said = {
        name: value for name in ("wall_mm", "cap_mm", "headroom_mm") if (value := getattr(shell.part, name)) is not None
    }
    usual = kind(shell=ANY_SHELL, **({} if in_cups else {"halves": form.halves}))  # type: ignore[arg-type]
    try:
        ask = check_ask(replace(usual, **said))
    except BadInput as problem:
        raise problem.under("parts", shell.position) from None
    assert isinstance(ask, MouldAsk | CupAsk)
    return ask


def _pieces(form: Form, mould: Mould, per_piece: int) -> int:
    pieces = max(1, mould.cavities // per_piece) if form.pieces is None else form.pieces + form.spares
    if form.whole_moulds:
        turns = ceil(pieces * per_piece / mould.cavities - FLOOR_GUARD)
        pieces = max(pieces, turns * mould.cavities // per_piece)
    return pieces


def _surface_cm2(mould: Mould, wall_mm: float) -> float:
    """Return the surface that a filling loses heat through: the wall's inside and the opening."""
    step = max(mould.cavity.widest_wall_mm * 1e-4, 1e-6)
    wall = min(wall_mm, mould.cavity.widest_wall_mm - step)
    shrinks = mould.cavity.void_ml(wall, 0.0) - mould.cavity.void_ml(wall + step, 0.0)
    return shrinks / step * 10 + rim_mm2(mould.cavity, wall) / 100


def _lay_shell(laid: Laid, shell: Given, mould: Mould, ask: WalledAsk, volumes: CavityVolumes, per_piece: int) -> None:
    found = shell_round(mould, ask, volumes, per_piece, 0.0, laid.pieces)
    assert found is not None
    each_g = found.shell_g + found.cap_g + found.seam_g
    laid.parts[shell.position] = PartLaid(
        each_g=each_g,
        each_ml=each_g / shell.stuff.made.density_g_per_ml,
        pieces=laid.pieces,
        mm=ask.wall_mm,
        pool_g=max(0.0, found.melt_g - found.total_g),
        cap_g=found.cap_g + found.seam_g,
    )


def _lay_fillings(
    laid: Laid, fillings: Sequence[Given], vessel: Mould | Cup, ask: WalledAsk, volumes: CavityVolumes, per_piece: int
) -> None:
    cavities = laid.pieces * per_piece
    asks, over_g, gaps_ml = [], {}, 0.0
    for one in fillings:
        amount, over = _amount(one, per_piece, cavities, gaps_ml, volumes.fill_ml)
        if over > 0:
            over_g[one.position] = over
        gaps_ml = (1 - PACKED_SHARE) * (amount.ml or 0.0) if one.part.lumps else 0.0
        made = Made(density_g_per_ml=one.stuff.made.density_g_per_ml)
        asks.append(FillingAsk(recipe=one.stuff.recipe, amount=amount, made=made))
    counted = replace(ask, loss_pct=0.0, loss_g=0.0, pieces=laid.pieces, spares=0)
    try:
        stack = fit_stack(vessel, asks, counted)
    except BadInput as problem:
        raise _as_file(problem, fillings) from None
    for one, found in zip(fillings, stack.fillings, strict=True):
        laid.parts[one.position] = _laid_filling(found, per_piece, laid.pieces, over_g.get(one.position, 0.0))
        if one.stuff.recipe.family == "dry-mix" and one.part.amount is None and len(fillings) == 1:
            laid.notes.append("Filled to the brim with mix: give the grams that make one cup of milk, to leave room.")
    is_capped = walls_of(ask).cap_mm > 0
    laid.notes += [note for note in stack.notes if is_capped or "cap" not in note]


def _lie_below(
    laid: Laid, fillings: Sequence[Given], vessel: Mould | Cup, ask: WalledAsk, volumes: CavityVolumes
) -> bool:
    """Lay what is dry into the lower halves alone; return whether it has room there."""
    try:
        _lay_fillings(laid, fillings, vessel, ask, volumes, 1)
    except BadInput:
        laid.notes.append("The lower half does not hold all that is dry: heap it, or put some into the upper half.")
        return False
    laid.lower_half_only = True
    laid.notes.append("Dry filling stays in the lower half: fill one half of each pair.")
    return True


def _laid_filling(found: StackedFilling, per_piece: int, pieces: int, over_g: float) -> PartLaid:
    return PartLaid(
        each_g=per_piece * found.each_g,
        each_ml=per_piece * found.net_ml,
        pieces=pieces,
        left_over_g=over_g,
        from_mm=found.from_mm,
        to_mm=found.to_mm,
        gives_way=found.gives_way,
    )


def _amount(one: Given, per_piece: int, cavities: int, gaps_ml: float, room_ml: float) -> tuple[FillingAmount, float]:
    """Return how much goes into one cavity, and what of a given mass does not go in [g]."""
    part, density = one.part, one.stuff.made.density_g_per_ml
    usual = FillingAmount(on_top=part.on_top, overrun_pct=0.0, lumps=part.lumps)
    if part.mm is not None:
        return replace(usual, mm=part.mm), 0.0
    if part.share_pct is not None:
        return replace(usual, share_pct=part.share_pct), 0.0
    over_g = 0.0
    if part.mass_g is not None:
        net_ml = one.stuff.kept_g(part.mass_g) / cavities / density
        most_ml = (PACKED_SHARE * room_ml if part.lumps else room_ml) if not part.on_top else net_ml
        over_g = max(0.0, net_ml - most_ml) * density * cavities
        net_ml = min(net_ml, most_ml)
    elif part.g_each is not None:
        net_ml = part.g_each / density / per_piece
    elif part.ml_each is not None:
        net_ml = part.ml_each / per_piece
    else:
        return usual, 0.0
    # lumps take their gaps with them; what lies on lumps runs into their gaps
    return replace(usual, ml=net_ml / PACKED_SHARE if part.lumps else max(net_ml - gaps_ml, FLOOR_GUARD)), over_g


def _as_file(problem: BadInput, fillings: Sequence[Given]) -> BadInput:
    """Return a refusal of the stack as the confection's file has it."""
    match problem.field:
        case ("fillings", int(position), *rest):
            one = fillings[position]
            named = one.part.amount or "role"
            field = tuple("share_pct" if step == "share_pct" else named for step in rest) or ("role",)
            return BadInput(("parts", one.position, *field), problem.message, problem.allowed, problem.code)
        case ("fillings",):
            return BadInput(("parts",), problem.message, problem.allowed, problem.code)
    return problem
