"""Fit: a recipe into a vessel, near choices, other vessels, layers, stacked fillings, the marking guide; and the fit
of each recipe as it was left."""

import json
from collections.abc import Callable, Iterator, Mapping, Sequence
from contextlib import contextmanager
from dataclasses import dataclass, replace
from datetime import datetime
from typing import Any, Final, TypeVar

from sqlalchemy.orm import Session

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit import Ask, Fit, fit
from hearth_bowl.core.fit.ask import check_ask, shell_named
from hearth_bowl.core.fit.layers import LayerAsk, LayeredSlab, fit_slab
from hearth_bowl.core.fit.marking import Guide, guide
from hearth_bowl.core.fit.near_choices import NearChoice, near_choices
from hearth_bowl.core.fit.other_vessels import OtherVessel, other_vessels
from hearth_bowl.core.fit.stacked import FillingAsk, Stack, fit_stack
from hearth_bowl.core.fit.vessel import Cup, Mould, Vessel
from hearth_bowl.core.geometry.pans import Pan
from hearth_bowl.core.mass.cooking import finished, plan_or_none
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.mass.mixture import Mixture
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.formats.recipe_file import recipe_from
from hearth_bowl.formats.vessel_file import vessel_from
from hearth_bowl.service import vessels as vessel_service
from hearth_bowl.service.errors import NotFound
from hearth_bowl.service.larder import stock
from hearth_bowl.service.recipes import get_recipe
from hearth_bowl.service.settings import get_settings
from hearth_bowl.store.models import RecipeFitRow, VesselRow

T = TypeVar("T")
MOST_KEPT: Final = 20_000


@dataclass(frozen=True, slots=True, kw_only=True)
class CheckedFit:
    """A recipe, a vessel and an ask, checked; `finished` is the mass as it is eaten where something boils off."""

    recipe: Recipe
    vessel: Vessel
    ask: Ask
    finished: Mixture | None


@dataclass(frozen=True, slots=True, kw_only=True)
class KeptFit:
    """The fit of a recipe as it was left."""

    vessel_id: int | None
    kept: dict[str, Any]


def fit_recipe(session: Session, record: Mapping[str, Any], vessel: Mapping[str, Any], ask: Mapping[str, Any]) -> Fit:
    """Return what is made of a recipe file's content to fill a vessel file's content as asked, in this kitchen.

    `ask` holds the fields of `Ask`, its shell as a key or "none".

    :raises BadInput: with its field below `recipe`, `vessel` or `ask`.
    """
    asked = _checked_fit(session, record, vessel, ask)
    return _under("ask", lambda: fit(asked.recipe, asked.vessel, asked.ask, asked.finished))


def near(
    session: Session, record: Mapping[str, Any], vessel: Mapping[str, Any], ask: Mapping[str, Any]
) -> tuple[NearChoice, ...]:
    """Return whole packs, eggs and moulds near a fit.

    :raises BadInput: see `fit_recipe`.
    """
    asked = _checked_fit(session, record, vessel, ask)
    found = _under("ask", lambda: fit(asked.recipe, asked.vessel, asked.ask, asked.finished))
    packs = {label: there.packs[0].pack_g for label, there in stock(session).items() if there.packs}
    return near_choices(asked.recipe, asked.vessel, asked.ask, found, packs, asked.finished)


def vessels_for(
    session: Session, record: Mapping[str, Any], ask: Mapping[str, Any], batch_g: float, depth_mm: float | None
) -> list[tuple[int, OtherVessel]]:
    """Return each stored vessel's id with what a batch makes of it, the best suited first.

    :raises BadInput: below `recipe` or `ask`; at `batch_g`.
    """
    recipe = _under("recipe", lambda: recipe_from(record))
    stored = vessel_service.list_vessels(session)
    checked = _under("ask", lambda: _ask(ask))
    found = other_vessels(
        recipe,
        [vessel_from(row.vessel) for row in stored],
        checked,
        batch_g,
        depth_mm,
        _finished(recipe, get_settings(session).kitchen),
    )
    return [(stored[suit.position].id, suit) for suit in found]


def fit_pan_layers(
    session: Session,
    vessel: Mapping[str, Any],
    layers: Sequence[tuple[Mapping[str, Any], Mapping[str, Any]]],
    ask: Mapping[str, Any],
    total_mm: float | None,
) -> LayeredSlab:
    """Return the layers of a pan, and what is cut of them.

    :param layers: of each its recipe file's content, and one of `thickness_mm`, `mass_g` or `share`.
    :raises BadInput: at `vessel`, below `layers` or `ask`; at `total_mm`.
    """
    pan = _under("vessel", lambda: vessel_from(vessel))
    if not isinstance(pan, Pan):
        raise BadInput(("vessel", "kind"), "layers lie in a pan", "a pan", "not-for-this")
    kitchen = get_settings(session).kitchen
    asks = []
    for position, (record, amount) in enumerate(layers):
        with _below("layers", position, "recipe"):
            recipe = recipe_from(record)
        asks.append(LayerAsk(recipe=recipe, finished=_finished(recipe, kitchen), **amount))
    checked = _under("ask", lambda: _ask(ask))
    check_ask(checked)
    return fit_slab(pan, asks, checked, total_mm)


def fit_cavity_stack(
    session: Session,
    vessel: Mapping[str, Any],
    fillings: Sequence[tuple[Mapping[str, Any], Mapping[str, Any]]],
    ask: Mapping[str, Any],
) -> Stack:
    """Return the fillings stacked in a mould's cavities or in cups.

    :param fillings: of each its recipe file's content, and the other fields of `FillingAsk`.
    :raises BadInput: at `vessel`, below `fillings` or `ask`.
    """
    mould = _under("vessel", lambda: vessel_from(vessel))
    if not isinstance(mould, Mould | Cup):
        raise BadInput(("vessel", "kind"), "fillings are stacked in a mould or cups", "a mould or cups", "not-for-this")
    kitchen = get_settings(session).kitchen
    asks = []
    for position, (record, amount) in enumerate(fillings):
        with _below("fillings", position, "recipe"):
            recipe = recipe_from(record)
        asks.append(FillingAsk(recipe=recipe, finished=_finished(recipe, kitchen), **amount))
    checked = _under("ask", lambda: _ask(ask))
    try:
        return fit_stack(mould, asks, checked)
    except BadInput as problem:
        raise (problem if problem.field[0] == "fillings" else problem.under("ask")) from None


def get_fit(session: Session, recipe_id: int) -> KeptFit:
    """Return the fit of a recipe as it was left; an empty one before the first.

    :raises NotFound: there is no such recipe.
    """
    get_recipe(session, recipe_id)
    row = session.get(RecipeFitRow, recipe_id)
    return KeptFit(vessel_id=row.vessel_id, kept=json.loads(row.document)) if row else KeptFit(vessel_id=None, kept={})


def keep_fit(
    session: Session, recipe_id: int, vessel_id: int | None, kept: Mapping[str, Any], now: datetime
) -> KeptFit:
    """Keep the fit of a recipe as it is left: `ask`, `layers` and `fillings`.

    :raises NotFound: there is no such recipe or vessel. :raises BadInput: too large.
    """
    get_recipe(session, recipe_id)
    if vessel_id is not None and session.get(VesselRow, vessel_id) is None:
        raise NotFound("vessel", vessel_id)
    document = json.dumps(kept, ensure_ascii=False, allow_nan=False)
    if len(document) > MOST_KEPT:
        raise BadInput(("ask",), "too large", f"up to {MOST_KEPT} characters", "out-of-range")
    session.merge(RecipeFitRow(recipe_id=recipe_id, vessel_id=vessel_id, document=document, changed_at=now))
    session.flush()
    return get_fit(session, recipe_id)


def marking_guide(session: Session, recipe_id: int) -> tuple[str, Guide]:
    """Return a recipe's name and the marking guide of its fit as it was left.

    :raises NotFound: there is no such recipe, or no fit to a pan. :raises BadInput: nothing is cut.
    """
    stored = get_recipe(session, recipe_id)
    left = get_fit(session, recipe_id)
    if left.vessel_id is None:
        raise NotFound("fit of recipe", recipe_id)
    vessel = vessel_service.get_vessel(session, left.vessel_id).vessel
    asked = _checked_fit(session, stored.recipe, vessel, left.kept.get("ask", {}))
    if not isinstance(asked.vessel, Pan):
        raise BadInput(("vessel", "kind"), "only a slab is marked", "a pan", "not-for-this")
    found = fit(asked.recipe, asked.vessel, asked.ask, asked.finished)
    if left.kept.get("layers"):
        found = replace(found, piece_g=None)
    return asked.recipe.name, guide(asked.vessel, found)


def checked_ask(ask: Mapping[str, Any]) -> Ask:
    """Return an ask from plain values.

    :raises BadInput: naming the field.
    """
    checked = _ask(ask)
    check_ask(checked)
    return checked


def finished_here(session: Session, recipe: Recipe) -> Mixture | None:
    """Return a recipe's mass as it is eaten when it is cooked down in this kitchen; else None."""
    return _finished(recipe, get_settings(session).kitchen)


def _finished(recipe: Recipe, kitchen: Kitchen) -> Mixture | None:
    plan = plan_or_none(recipe, kitchen)
    return None if plan is None else finished(recipe, plan)


def _checked_fit(
    session: Session, record: Mapping[str, Any], vessel: Mapping[str, Any], ask: Mapping[str, Any]
) -> CheckedFit:
    recipe = _under("recipe", lambda: recipe_from(record))
    return CheckedFit(
        recipe=recipe,
        vessel=_under("vessel", lambda: vessel_from(vessel)),
        ask=_under("ask", lambda: _ask(ask)),
        finished=_finished(recipe, get_settings(session).kitchen),
    )


def _ask(ask: Mapping[str, Any]) -> Ask:
    sides = ask.get("piece_mm")
    if sides is not None and len(sides) != 2:
        raise BadInput(("piece_mm",), f"{len(sides)} sides", "two sides", "not-allowed")
    return Ask(
        **{
            **ask,
            "shell": shell_named(ask.get("shell") or "none"),
            "piece_mm": tuple(sides) if sides is not None else None,
        }
    )


@contextmanager
def _below(*path: str | int) -> Iterator[None]:
    try:
        yield
    except BadInput as problem:
        raise problem.under(*path) from None


def _under(part: str, act: Callable[[], T]) -> T:
    with _below(part):
        return act()
