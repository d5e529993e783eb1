"""Fit: a recipe into a vessel, its marking guide, and the kept fit of each recipe."""

import json
from collections.abc import Callable, Iterator, Mapping
from contextlib import contextmanager
from dataclasses import dataclass
from datetime import datetime
from typing import Any, TypeVar

from sqlalchemy.orm import Session

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit import Fit, fit
from hearth_bowl.core.fit.ask import Ask, PanAsk, ask_for, ask_kind, asked_alike, check_ask, kind_of
from hearth_bowl.core.fit.marking import Guide, guide
from hearth_bowl.core.fit.slab import cut_of
from hearth_bowl.core.fit.vessel import Box, Vessel
from hearth_bowl.core.geometry.pans import Pan
from hearth_bowl.core.mass.cooking import finished_or_none
from hearth_bowl.core.mass.mixture import Mixture
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.formats.ask_file import AskFile, ask_from, ask_record
from hearth_bowl.formats.recipe_file import recipe_from
from hearth_bowl.formats.vessel_file import vessel_from
from hearth_bowl.service import vessels as vessel_service
from hearth_bowl.service.errors import NotFound
from hearth_bowl.service.recipes import get_recipe
from hearth_bowl.service.settings import get_settings
from hearth_bowl.store.models import RecipeFitRow

T = TypeVar("T")


@dataclass(frozen=True, slots=True, kw_only=True)
class CheckedFit:
    """A recipe, a vessel and an ask, checked; `finished` is the mass as it is eaten where something boils off."""

    recipe: Recipe
    vessel: Vessel
    ask: Ask
    finished: Mixture | None


@dataclass(frozen=True, slots=True, kw_only=True)
class KeptFit:
    """The fit of a recipe as it was left; without an ask before the first."""

    vessel_id: int | None = None
    ask: AskFile | None = None


def fit_recipe(session: Session, record: Mapping[str, Any], vessel: Mapping[str, Any], ask: Ask | None) -> Fit:
    """Return what is made of a recipe file's content to fill a vessel file's content as asked, in this kitchen.

    :param ask: None asks what is usual of such a vessel.
    :raises BadInput: with its field below `recipe`, `vessel` or `ask`.
    """
    checked = _checked_fit(session, record, vessel, ask)
    return _under("ask", lambda: fit(checked.recipe, checked.vessel, checked.ask, checked.finished))


def get_fit(session: Session, recipe_id: int) -> KeptFit:
    """Return the fit of a recipe as it was left; an empty one before the first.

    :raises NotFound: there is no such recipe.
    """
    get_recipe(session, recipe_id)
    row = session.get(RecipeFitRow, recipe_id)
    if row is None:
        return KeptFit()
    kept = json.loads(row.document)
    vessel = None if row.vessel_id is None else vessel_service.get_vessel(session, row.vessel_id).vessel
    return KeptFit(vessel_id=row.vessel_id, ask=kept_ask(kept.get("ask"), vessel))


def keep_fit(session: Session, recipe_id: int, left: KeptFit, now: datetime) -> KeptFit:
    """Keep the fit of a recipe as it is left. An ask that cannot be made is kept too: nothing typed is lost.

    :raises NotFound: there is no such recipe or vessel.
    """
    get_recipe(session, recipe_id)
    if left.vessel_id is not None:
        vessel_service.get_vessel(session, left.vessel_id)
    document = {"ask": None if left.ask is None else ask_record(left.ask)}
    text = json.dumps(document, ensure_ascii=False, allow_nan=False)
    session.merge(RecipeFitRow(recipe_id=recipe_id, vessel_id=left.vessel_id, document=text, changed_at=now))
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
    checked = _checked_fit(session, stored.recipe, vessel, left.ask)
    if not isinstance(checked.vessel, Pan) or not isinstance(checked.ask, PanAsk):
        raise BadInput(("vessel", "kind"), "only a slab is marked", "a pan", "not-for-this")
    found = fit(checked.recipe, checked.vessel, checked.ask, checked.finished)
    cut = cut_of(checked.vessel, checked.ask)
    return checked.recipe.name, guide(checked.vessel, cut, checked.ask.kerf_mm, found.piece_g or 0.0)


def ask_of(ask: Ask | None, vessel: Vessel) -> Ask:
    """Return what is asked of a vessel: the usual where nothing is.

    :raises BadInput: at `kind` for an ask of another kind of vessel.
    """
    kind = ask_kind(vessel)
    if ask is None:
        return ask_for(kind, {})
    if ask.kind != kind:
        raise BadInput(("kind",), f"asked as of {ask.kind}", kind, "not-for-this")
    return ask


def kept_ask(record: Mapping[str, Any] | None, vessel: Mapping[str, Any] | None) -> Ask | None:
    """Return a stored ask; of a vessel that is of another kind by now, what both kinds know of it."""
    if not record:
        return None
    ask = ask_from(record)
    here = None if vessel is None else vessel_from(vessel)
    if here is None or isinstance(here, Box) or kind_of(here) == ask.kind:
        return ask
    return asked_alike(ask, kind_of(here))


def _checked_fit(session: Session, record: Mapping[str, Any], vessel: Mapping[str, Any], ask: Ask | None) -> CheckedFit:
    recipe = _under("recipe", lambda: recipe_from(record))
    here = _under("vessel", lambda: vessel_from(vessel))
    return CheckedFit(
        recipe=recipe,
        vessel=here,
        ask=_under("ask", lambda: check_ask(ask_of(ask, here))),
        finished=finished_or_none(recipe, get_settings(session).kitchen),
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
