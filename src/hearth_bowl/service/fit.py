"""Fit: a recipe into a vessel, near choices, other vessels, the marking guide; and the fit of each recipe as it was
left."""

import json
from collections.abc import Callable, Iterator, Mapping
from contextlib import contextmanager
from dataclasses import dataclass, replace
from datetime import datetime
from typing import Any, TypeVar

from sqlalchemy.orm import Session

from hearth_bowl.core.confection.declared import Declared
from hearth_bowl.core.confection.keeping import PieceKeeping
from hearth_bowl.core.confection.of_fit import confection_of
from hearth_bowl.core.confection.price import PieceCost, piece_cost
from hearth_bowl.core.confection.work_out import PerPiece, work_out
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit import Fit, fit
from hearth_bowl.core.fit.ask import (
    ASKS,
    USUAL_LOSS_PCT,
    Ask,
    PanAsk,
    Question,
    ask_for,
    ask_kind,
    asked_alike,
    check_ask,
    kind_of,
    questions,
    start_ask,
)
from hearth_bowl.core.fit.marking import Guide, guide
from hearth_bowl.core.fit.near_choices import NearChoice, near_choices
from hearth_bowl.core.fit.other_vessels import OtherVessel, other_vessels
from hearth_bowl.core.fit.slab import cut_of
from hearth_bowl.core.fit.vessel import Box, Vessel
from hearth_bowl.core.geometry.pans import Pan
from hearth_bowl.core.keep.cautions import Caution
from hearth_bowl.core.learn.told import batches_words
from hearth_bowl.core.mass.cooking import finished_or_none
from hearth_bowl.core.mass.mixture import Mixture
from hearth_bowl.core.recipe.recipe import AIMED_INDEX, Recipe
from hearth_bowl.formats.ask_file import AskFile, ask_from, ask_record
from hearth_bowl.formats.recipe_file import recipe_from
from hearth_bowl.formats.vessel_file import vessel_from
from hearth_bowl.service import vessels as vessel_service
from hearth_bowl.service.errors import NotFound
from hearth_bowl.service.larder import prices_per_g, stock
from hearth_bowl.service.learned import correction_for
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


def usual_questions(session: Session, now: datetime) -> tuple[dict[str, tuple[Question, ...]], dict[str, Ask]]:
    """Return what each kind of vessel may be asked with its usual answers, and what is asked first by a recipe's use.

    What usually stays behind is what did in this kitchen, where batches of such a vessel taught that.
    """
    found = {kind: correction_for(session, f"loss:{kind}", now) for kind in ASKS}
    usual = {
        kind: (round(USUAL_LOSS_PCT * one.value, 1), f"usually {USUAL_LOSS_PCT:g} %; yours, by {batches_words(one)}")
        for kind, one in found.items()
        if one is not None
    }
    kinds = {
        kind: tuple(
            replace(one, usual=usual[kind][0], learned=usual[kind][1])
            if one.name == "loss_pct" and kind in usual
            else one
            for one in questions(kind)
        )
        for kind in ASKS
    }
    starts = {}
    for use in ("", *AIMED_INDEX):
        ask = start_ask(use)
        starts[use] = replace(ask, loss_pct=usual[ask.kind][0]) if ask.kind in usual else ask
    return kinds, starts


@dataclass(frozen=True, slots=True, kw_only=True)
class FitPiece:
    """What is to be told of one piece of a fit, as of any confection."""

    per_piece: PerPiece
    allergens: tuple[str, ...]
    allergens_named: tuple[Declared, ...]
    keeping: PieceKeeping
    cautions: tuple[Caution, ...]
    cost: PieceCost | None


def piece_of_fit(session: Session, record: Mapping[str, Any], vessel: Mapping[str, Any], ask: Ask | None) -> FitPiece:
    """Return what is to be told of one piece of a fit, in this kitchen and with this larder.

    :raises BadInput: see `fit_recipe`.
    """
    checked = _checked_fit(session, record, vessel, ask)
    kitchen = get_settings(session).kitchen
    worked = _under("ask", lambda: work_out(confection_of(checked.recipe, checked.vessel, checked.ask), kitchen))
    return FitPiece(
        per_piece=worked.per_piece,
        allergens=worked.allergens,
        allergens_named=worked.allergens_named,
        keeping=worked.keeping,
        cautions=worked.cautions,
        cost=piece_cost(worked, prices_per_g(session)),
    )


def near(
    session: Session, record: Mapping[str, Any], vessel: Mapping[str, Any], ask: Ask | None
) -> tuple[NearChoice, ...]:
    """Return whole packs, eggs and moulds near a fit.

    :raises BadInput: see `fit_recipe`.
    """
    checked = _checked_fit(session, record, vessel, ask)
    found = _under("ask", lambda: fit(checked.recipe, checked.vessel, checked.ask, checked.finished))
    packs = {label: there.packs[0].pack_g for label, there in stock(session).items() if there.packs}
    return near_choices(checked.recipe, checked.vessel, checked.ask, found, packs, checked.finished)


def vessels_for(
    session: Session, record: Mapping[str, Any], ask: Ask, batch_g: float, depth_mm: float | None
) -> list[tuple[int, OtherVessel]]:
    """Return each stored vessel's id with what a batch makes of it, the best suited first.

    :raises BadInput: below `recipe` or `ask`; at `batch_g`.
    """
    recipe = _under("recipe", lambda: recipe_from(record))
    stored = vessel_service.list_vessels(session)
    checked = _under("ask", lambda: check_ask(ask))
    found = other_vessels(
        recipe,
        [vessel_from(row.vessel) for row in stored],
        checked,
        batch_g,
        depth_mm,
        finished_or_none(recipe, get_settings(session).kitchen),
    )
    return [(stored[other.position].id, other) for other in found]


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
