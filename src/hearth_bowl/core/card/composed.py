"""Composed: a card's mixes with their shells, coats, cores and toppings, put together in the form that it names."""

import re
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace
from typing import Any, Final, cast

from hearth_bowl.core.card import form_words as words
from hearth_bowl.core.card.makes import Makes
from hearth_bowl.core.card.masses import Mass
from hearth_bowl.core.card.roles import EACH, Placed, each_told
from hearth_bowl.core.card.said_form import Formed, by_weight, form_of
from hearth_bowl.core.confection.another_form import role_in
from hearth_bowl.core.confection.confection import (
    INNER,
    ROLES_OF,
    USUAL_G_EACH,
    Blend,
    Confection,
    Form,
    Of,
    Part,
    Role,
    holds_a_wall,
)
from hearth_bowl.core.confection.outside import rolling_of
from hearth_bowl.core.confection.work_out import work_out
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit.ask import kind_of
from hearth_bowl.core.fit.vessel import Pieces
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.recipe.steps import CardStep
from hearth_bowl.core.recipe.written.lines import LONGEST_LINE
from hearth_bowl.core.recipe.written.recipe import Row, Unsure, WrittenRecipe, read_mix, with_unread

USE_FORM: Final[Mapping[str, str]] = {
    "roll": "balls",
    "cut": "cut into squares",
    "frame": "slab",
    "fill-shell": "moulds",
    "coat-cake": "cake filling",
}
"""The form that a use speaks of, in words of a card. A judgement."""
MIX: Final = "mix"
"""The role of a mix of which a card says none: what a form is filled with."""
SQUARES: Final = 16
"""Squares that a slab is cut into where the size that a card says does not fit. A judgement."""
SHARES_OF_ALL: Final = (0.9, 0.1, 0.01)
"""Shares of a mix that one piece may be of at most, tried in turn: much of it may boil off. A judgement."""
MOST_TRIES: Final = 12  # a limit, by definition


@dataclass(slots=True)
class Composed:
    """The confection of a card, None where none can be worked out; what is unsure; and the part of each line."""

    confection: Confection | None
    vessel: dict[str, Any] = field(default_factory=dict)
    """The measures of its vessel, as a file has them."""
    unsure: list[Unsure] = field(default_factory=list)
    part_of_line: dict[tuple[int, str], int] = field(default_factory=dict)


@dataclass(slots=True)
class _Piece:
    """A part before it is checked: what it is made of, its lines, and the grams they add up to."""

    role: str
    of: Of
    rows: Sequence[Row]
    grams: float
    heading: str = ""
    doubts: list[str] = field(default_factory=list)
    said: dict[str, Any] = field(default_factory=dict)

    @property
    def text(self) -> str:
        lines = [self.heading.rstrip(": ")] if self.heading else []
        return "\n".join([*lines, *(row.text for row in self.rows)])[: LONGEST_LINE * 4]


def compose(
    name: str,
    masses: Sequence[Mass],
    mixes: Sequence[WrittenRecipe],
    outer: Sequence[Placed],
    makes: Makes,
    steps: Sequence[CardStep],
    said: str,
) -> Composed:
    """Return the confection of a card's mixes and its other parts, in the form of its vessel or of its words."""
    pieces = [_of_mix(mass, mix) for mass, mix in zip(masses, mixes, strict=True)] + _of_outer(name, outer)
    formed = form_of(makes, [piece.role for piece in pieces], said, sum(one.grams for one in pieces[: len(masses)]))
    kind = kind_of(formed.form.vessel)
    _fit_roles(pieces, kind)
    _amounts(pieces, kind, formed, makes)
    pieces.sort(key=lambda piece: ROLES_OF[kind].index(cast(Role, piece.role)))
    composed = _checked(name, pieces, formed, steps)
    line = makes.lines[0] if makes.lines else min(row.number for piece in pieces for row in piece.rows)
    text = makes.texts[0] if makes.texts else name
    composed.unsure += [Unsure(line=line, text=text[:LONGEST_LINE], why=why) for why in formed.doubts]
    for at, piece in enumerate(pieces):
        first = piece.rows[0]
        composed.unsure += [Unsure(line=first.number, text=first.text[:LONGEST_LINE], why=why) for why in piece.doubts]
        composed.part_of_line |= {(row.number, row.text): at for row in piece.rows}
    return composed


def compose_recipe(recipe: Recipe, vessel: dict[str, Any] | None = None) -> Composed:
    """Return what a recipe alone is made into: by its name and use, in a usual form; all that is suggested is said.

    :param vessel: the vessel that it goes into, as a vessel file has it, where that is known.
    """
    said = f"{recipe.name} {USE_FORM.get(recipe.use or '', '')}"
    formed = form_of(Makes(vessel=vessel), [MIX], said, recipe.mass_g)
    role = _inner_role(kind_of(formed.form.vessel))
    part = Part(role=role, of=recipe, mass_g=recipe.mass_g if role == "layer" else None)
    for form, one in ((formed.form, part), (Form(vessel=formed.form.vessel), replace(part, mass_g=None))):
        confection = Confection(name=recipe.name, form=form, parts=(one,))
        try:
            work_out(confection)
        except BadInput:
            continue
        return Composed(confection, formed.measures, [Unsure(line=1, text="", why=why) for why in formed.doubts])
    return Composed(None)


def _of_mix(mass: Mass, mix: WrittenRecipe) -> _Piece:
    """Return a mix as a part: one line of one ingredient is that ingredient."""
    only = mix.recipe.lines[0] if len(mix.recipe.lines) == 1 and not mix.unread else None
    alone = only is not None and mass.role is not None and only.ingredient.key is not None and not only.proposed
    of: Of = only.ingredient if only is not None and alone else with_unread(mix)
    grams = mix.recipe.mass_g
    doubts = [mass.why] if mass.why else []
    each = {} if mass.each is None else dict([mass.each])
    return _Piece(mass.role or MIX, of, mass.rows, grams, mass.heading, doubts, each)


def _of_outer(name: str, outer: Sequence[Placed]) -> list[_Piece]:
    """Return the shells, coats, cores and toppings: lines of one heading and role belong together."""
    groups: dict[tuple[str, str], list[Placed]] = {}
    for number, one in enumerate(outer):
        apart = one.row.heading if one.role in ("coat", "shell", "rolling") else f"{one.row.heading}\n{number}"
        groups.setdefault((str(one.role), apart), []).append(one)
    found = []
    for (role, _), ones in groups.items():
        rows = [one.row for one in ones]
        known = [row for row in rows if row.read.ingredient is not None]
        if not known:
            continue
        doubts = [doubt for row in rows for doubt in row.read.doubts if not doubt.startswith("no amount")]
        grams = sum(row.grams or 0.0 for row in known)
        of = _of_rows(name, role, known)
        if role == "coat" and isinstance(of, Ingredient) and not of.may_be_coat:
            role = "rolling" if rolling_of(of) is not None else "topping"
        if role == "shell" and not holds_a_wall(of):
            role = "coat" if isinstance(of, Recipe) else "topping"
            doubts.append("it is not firm enough for a shell: used as a coat instead")
        found.append(_Piece(role, of, rows, grams, ones[0].row.heading, doubts))
    return found


def _of_rows(name: str, role: str, rows: Sequence[Row]) -> Of:
    """Return what several lines are together: an ingredient, chocolates or powders blended, or a mix."""
    ingredients = [row.read.ingredient for row in rows if row.read.ingredient is not None]
    if len(ingredients) == 1:
        return ingredients[0]
    alike = all(one.is_chocolate for one in ingredients) or role == "rolling"
    if alike and len(ingredients) <= 6:
        return Blend(parts=tuple((one, row.grams or 1.0) for one, row in zip(ingredients, rows, strict=True)))
    return with_unread(read_mix(f"{name}, {role}", rows, (), rows[0].measure))


def _fit_roles(pieces: list[_Piece], kind: str) -> None:
    """Give each part a role that the form has; what may stand once only stands once."""
    for piece in pieces:
        piece.role = (
            _inner_role(kind) if piece.role == MIX else role_in(cast(Role, piece.role), kind, set()) or "topping"
        )
    centres = [piece for piece in pieces if piece.role == "centre"]
    for other in centres[1:]:
        other.role = (
            "filling" if kind == "cake" else "core" if not any(one.role == "core" for one in pieces) else "topping"
        )
    if kind == "cake" and len(centres) > 1:
        centres[0].role = "filling"
    if not any(piece.role in (*INNER, "shell") for piece in pieces):
        pieces[0].role = _inner_role(kind)


def _inner_role(kind: str) -> Role:
    """Return what a mix is in a form: its layer, filling or centre."""
    return next(role for role in ROLES_OF[kind] if role in INNER)


def _amounts(pieces: list[_Piece], kind: str, formed: Formed, makes: Makes) -> None:
    """Say how much of each part there is: what a card states stays stated."""
    count = formed.form.pieces
    inner = [piece for piece in pieces if piece.role in ("layer", "filling")]
    for piece in pieces:
        each = piece.said or _each(piece)
        match piece.role:
            case "shell":
                piece.said = {"wall_mm": makes.wall_mm} if makes.wall_mm else {}
            case "layer":
                piece.said = {"mass_g": piece.grams} if piece.grams > 0 else {}
            case "filling" if each is not None:
                piece.said = each
            case "filling" if len(inner) > 1 and piece is not inner[-1] and piece.grams > 0:
                piece.said = {"mass_g": piece.grams}
            case "core" | "topping":
                piece.said = each or _shared(piece, count)
            case "rolling" if isinstance(piece.of, Blend | Recipe) or rolling_of(piece.of) is None:
                piece.said = _shared(piece, None)
            case _:
                piece.said = {}


def _each(piece: _Piece) -> dict[str, float] | None:
    """Return what a line says of each piece: 3 g jam each, one hazelnut in each."""
    row = piece.rows[0]
    told = each_told(row.text, row.measure) if len(piece.rows) == 1 else None
    if told is not None:
        return dict([told])
    if len(piece.rows) != 1 or row.read.amount is None or row.grams is None:
        return None
    if EACH.search(row.text) or re.search(
        r"^\W*(?:one|a|an|half|1|½)\b.{0,60}\b(?:in|on|for|into|inside) (?:each|every)\b", row.text, re.I
    ):
        return {"g_each": row.grams}
    return None


def _shared(piece: _Piece, count: int | None) -> dict[str, float]:
    """Return an amount for each piece of what is stated for all, or a suggested one."""
    if piece.grams > 0 and piece.role == "topping":
        return {"mass_g": piece.grams}
    if piece.grams > 0 and count:
        return {"g_each": piece.grams / count}
    single = piece.of.piece_g if isinstance(piece.of, Ingredient) else None
    suggested = single or USUAL_G_EACH.get(piece.role, 1.0)
    piece.doubts.append(f"the amount for each piece is not given: {suggested:g} g suggested")
    return {"g_each": suggested}


def _part(piece: _Piece) -> Part:
    return Part(role=cast(Role, piece.role), of=piece.of, text=piece.text, doubts=tuple(piece.doubts), **piece.said)


def _checked(name: str, pieces: list[_Piece], formed: Formed, steps: Sequence[CardStep]) -> Composed:
    """Return the confection, with what does not fit given up step by step and said; what is left can be worked out."""
    for _ in range(MOST_TRIES):
        confection = Confection(name=name[:200], form=formed.form, parts=tuple(map(_part, pieces)), steps=tuple(steps))
        try:
            work_out(confection)
        except BadInput as problem:
            if not _give_up(problem, pieces, formed):
                break
        else:
            return Composed(confection, formed.measures)
    return _largest_mix_alone(name, pieces, formed, steps)


def _largest_mix_alone(name: str, pieces: list[_Piece], formed: Formed, steps: Sequence[CardStep]) -> Composed:
    """Return the largest mix in pieces by weight, where the rest cannot be put together; what is left out is said."""
    first = max(pieces, key=lambda piece: (isinstance(piece.of, Recipe), piece.grams))
    formed.doubts += [
        f"“{piece.rows[0].text[:60]}” could not be put together with the rest: add it to the piece by hand"
        for piece in pieces
        if piece is not first
    ]
    pieces[:] = [first]
    first.role, first.said = "centre", {}
    for share in SHARES_OF_ALL:
        piece_g = round(min(words.USUAL_PIECE_G, max(0.01, share * first.grams)), 3)
        formed.measures = by_weight(piece_g)
        form = Form(vessel=Pieces(piece_g=piece_g))
        confection = Confection(name=name[:200], form=form, parts=(_part(first),), steps=tuple(steps))
        try:
            work_out(confection)
        except BadInput:
            continue
        return Composed(confection, formed.measures)
    formed.doubts.append("the parts could not be combined: check the mixes and the form")
    return Composed(None)


def _give_up(problem: BadInput, pieces: list[_Piece], formed: Formed) -> bool:
    """Give up one thing that was said, for what cannot be as it stands; return whether there was one."""
    return any(
        way(problem, pieces, formed) for way in (_amount_of_part, _cut, _largest_mass, _count, _outer_part, _form)
    )


def _part_at(problem: BadInput, pieces: list[_Piece]) -> _Piece | None:
    """Return the part that a refusal names, None where it names none."""
    match problem.field:
        case ("parts", int(at), *_) if at < len(pieces):
            return pieces[at]
    return None


def _amount_of_part(problem: BadInput, pieces: list[_Piece], formed: Formed) -> bool:
    piece = _part_at(problem, pieces)
    if piece is None or not piece.said:
        return False
    fills = piece.role in INNER and "g_each" not in piece.said
    _does_not_fit(piece, problem)
    piece.said = {} if fills else {"g_each": USUAL_G_EACH.get(piece.role, 1.0)}
    if piece.role == "layer":
        _one_gives_way(pieces)
    return True


def _does_not_fit(piece: _Piece, problem: BadInput) -> None:
    reason = problem.message.rstrip(".")
    piece.doubts.append(f"its amount does not fit the form ({reason}): it fills the rest")


def _cut(problem: BadInput, pieces: list[_Piece], formed: Formed) -> bool:
    form = formed.form
    if form.piece_mm is None:
        return False
    if form.pieces is not None:
        formed.doubts.append(f"{form.pieces} pieces of that size do not fit the tin: the size is unchanged")
        formed.form = replace(form, pieces=None)
    else:
        formed.doubts.append("pieces of that size do not fit the tin: choose the cut")
        formed.form = replace(form, piece_mm=None, pieces=SQUARES)
    return True


def _largest_mass(problem: BadInput, pieces: list[_Piece], formed: Formed) -> bool:
    stated = [piece for piece in pieces if "mass_g" in piece.said and piece.role in ("layer", "filling")]
    if not stated:
        return False
    piece = max(stated, key=lambda one: one.grams)
    _does_not_fit(piece, problem)
    piece.said = {}
    _one_gives_way(pieces)
    return True


def _count(problem: BadInput, pieces: list[_Piece], formed: Formed) -> bool:
    if formed.form.pieces is None:
        return False
    formed.doubts.append(f"{formed.form.pieces} pieces are not possible with these amounts: choose the number")
    formed.form = replace(formed.form, pieces=None)
    return True


def _outer_part(problem: BadInput, pieces: list[_Piece], formed: Formed) -> bool:
    piece = _part_at(problem, pieces)
    if piece is None or len(pieces) == 1 or piece.role not in ("coat", "rolling", "topping", "core"):
        return False
    formed.doubts.append(f"“{piece.rows[0].text[:60]}” could not be placed: {problem.message}")
    pieces.remove(piece)
    return True


def _form(problem: BadInput, pieces: list[_Piece], formed: Formed) -> bool:
    if isinstance(formed.form.vessel, Pieces):
        return False
    reason = problem.message.rstrip(".")
    formed.doubts.append(f"it does not fit that form ({reason}): pieces by weight used instead")
    formed.form = Form(vessel=Pieces(piece_g=words.USUAL_PIECE_G))
    formed.measures = by_weight(words.USUAL_PIECE_G)
    _fit_roles(pieces, "pieces")
    for piece in pieces:
        if piece.role == "centre":
            piece.said = {}
        elif piece.role in ("core", "topping"):
            piece.said = {"g_each": USUAL_G_EACH[piece.role]}
    return True


def _one_gives_way(pieces: list[_Piece]) -> None:
    """Leave one layer or filling without an amount at most: the others share by what they weigh."""
    open_ones = [piece for piece in pieces if piece.role in ("layer", "filling") and not piece.said]
    total = sum(piece.grams for piece in open_ones) or 1.0
    for piece in open_ones[:-1]:
        piece.said = {"share_pct": max(1.0, min(90.0, 100 * piece.grams / total))}
