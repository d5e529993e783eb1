"""Set: the set clock, places beside each other, chains with their calendar; and tempering."""

from datetime import datetime

from flask import Blueprint, request
from flask import Response as Answer
from pydantic import Field
from spectree import Response

from hearth_bowl.api.context import database, in_helper, in_own_units, now
from hearth_bowl.api.problems import Problem
from hearth_bowl.api.recipe_body import RecipeIn, record_of
from hearth_bowl.api.spec import spec
from hearth_bowl.api.wire import Incoming, Outgoing
from hearth_bowl.core.cooling.chain import CHAINS, Look
from hearth_bowl.core.cooling.places import BASES, COVERS, PLACES
from hearth_bowl.core.cooling.set_ask import STATES, SetAsk, usual_set_ask
from hearth_bowl.core.cooling.set_clock import Correction, SetClock
from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.ingredients.library import find
from hearth_bowl.core.mass.tempering import SEED_SHARE_BAND_PCT, temper
from hearth_bowl.core.recipe.recipe import AIMED_INDEX
from hearth_bowl.service import setting as service
from hearth_bowl.service.learned import cooling_here
from hearth_bowl.service.moments import checked_moment
from hearth_bowl.service.settings import Settings, get_settings

setting = Blueprint("setting", __name__, url_prefix="/api")


class SetClockIn(Incoming):
    """A recipe, its place, and what was seen since."""

    recipe: RecipeIn
    ask: SetAsk
    corrections: list[Correction] = Field(default_factory=list, max_length=200)


class BesideListOut(Outgoing):
    """Places and shapes beside each other."""

    beside: list[service.Beside]


class NamedOut(Outgoing):
    """A key with its name."""

    key: str
    name: str


class PlacesOut(Outgoing):
    """Places, covers, bases, states and chains; and how a mass usually sets, by its recipe's use."""

    places: list[NamedOut]
    covers: list[str]
    bases: list[str]
    states: list[NamedOut]
    chains: list[str]
    usual: dict[str, SetAsk]


class ChainOut(Outgoing):
    """A chain of rests."""

    looks: list[Look]


class TemperIn(Incoming):
    """A chocolate, and perhaps its temperatures and melted mass."""

    chocolate: str
    from_c: float | None = None
    to_c: float | None = None
    seed_c: float = 20.0
    mass_g: float | None = None


class TemperOut(Outgoing):
    """Windows, and the seed by the heat balance with its band in points."""

    kind: str
    name: str
    needs_tempering: bool
    melt_c: list[float]
    never_above_c: float
    cool_to_c: list[float] | None
    work_c: list[float]
    seed_lost_above_c: float | None
    seed_share_pct: float | None
    share_band_pct: float
    seed_g: float | None
    come_down_c: float | None


@setting.get("/set/places")
@spec.validate(resp=Response(HTTP_200=PlacesOut), operation_id="listPlaces")
def list_places() -> PlacesOut:
    """List the places, covers, bases, states and chains."""
    return PlacesOut(
        places=[NamedOut(key=key, name=place.name) for key, place in PLACES.items()],
        covers=list(COVERS),
        bases=list(BASES),
        states=[NamedOut(key=key, name=state.name) for key, state in STATES.items()],
        chains=list(CHAINS),
        usual={use: usual_set_ask(use) for use in ("", *AIMED_INDEX)},
    )


def _settings() -> Settings:
    with database().reading() as session:
        return get_settings(session)


@setting.post("/set/clock")
@spec.validate(resp=Response(HTTP_200=SetClock, HTTP_422=Problem), operation_id="setClock")
def set_clock(json: SetClockIn) -> SetClock:
    """Say when a mass is cool and when it is set. Nothing is stored."""
    with database().reading() as session:
        settings, learned = get_settings(session), cooling_here(session, json.ask, now())
    return in_helper(service.clock_of, settings, record_of(json.recipe), json.ask, json.corrections, learned)


@setting.post("/set/beside")
@spec.validate(resp=Response(HTTP_200=BesideListOut, HTTP_422=Problem), operation_id="setBeside")
def beside(json: SetClockIn) -> BesideListOut:
    """Put the same mass in other places and shapes. Nothing is stored."""
    found = in_helper(service.beside, _settings(), record_of(json.recipe), json.ask)
    return BesideListOut(beside=found)


@setting.get("/set/chains/<kind>")
@spec.validate(resp=Response(HTTP_200=ChainOut, HTTP_422=Problem), operation_id="getChain")
def get_chain(kind: str) -> ChainOut:
    """Return the chain of rests of a kind of piece; `minutes` is what the set clock says, `recipe` whose it is."""
    return ChainOut(looks=_looks(kind))


@setting.get("/set/chains/<kind>/looks.ics")
def chain_calendar(kind: str) -> Answer:
    """Return a chain as iCalendar, from now or from `from`."""
    given = request.args.get("from")
    try:
        from_at = now() if given is None else datetime.fromisoformat(given)
    except ValueError:
        raise BadInput(("from",), "not a moment", "such as 2026-08-21T19:30:05+00:00", "not-a-time") from None
    if from_at.tzinfo is None:
        from_at = from_at.replace(tzinfo=now().astimezone().tzinfo)  # a moment without its zone is the machine's own
    from_at = checked_moment(("from",), from_at)
    title = request.args.get("title", "Sweets")[:120]
    headers = {"Content-Disposition": 'attachment; filename="looks.ics"'}
    calendar = in_own_units(service.chain_calendar(_looks(kind), from_at, title).decode())
    return Answer(calendar, content_type="text/calendar", headers=headers)


def _looks(kind: str) -> list[Look]:
    given = request.args.get("recipe")
    if given is not None and not (given.isascii() and given.isdigit() and len(given) < 19):
        raise BadInput(("recipe",), "not a recipe's number", "a whole number", "not-a-number")
    with database().reading() as session:
        return service.chain(session, kind, _minutes(), None if given is None else int(given))


def _minutes() -> float:
    try:
        minutes = float(request.args.get("minutes", "60"))
    except ValueError:
        raise BadInput(("minutes",), "not a number", "minutes", "not-a-number") from None
    return check_number(("minutes",), minutes, 0, 60 * 24 * 60, "min")


@setting.post("/temper")
@spec.validate(resp=Response(HTTP_200=TemperOut, HTTP_422=Problem), operation_id="temper")
def temper_chocolate(json: TemperIn) -> TemperOut:
    """Say how a chocolate is tempered. Nothing is stored."""
    try:
        chocolate = find(json.chocolate)
    except BadInput as problem:
        raise problem.under("chocolate") from None
    found = temper(chocolate, json.from_c, json.to_c, json.seed_c, json.mass_g)
    window, seed = found.window, found.seed
    return TemperOut(
        kind=found.kind,
        name=window.name,
        needs_tempering=found.needs_tempering,
        melt_c=list(window.melt_c),
        never_above_c=window.never_above_c,
        cool_to_c=list(window.cool_to_c) if window.cool_to_c else None,
        work_c=list(window.work_c),
        seed_lost_above_c=window.seed_lost_above_c,
        seed_share_pct=seed.share_pct if seed else None,
        share_band_pct=SEED_SHARE_BAND_PCT,
        seed_g=seed.seed_g if seed else None,
        come_down_c=seed.come_down_c if seed else None,
    )
