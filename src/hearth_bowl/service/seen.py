"""What do you see: what is known of a batch already is filled in, and what was done enters it."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace
from datetime import datetime, timedelta
from typing import Final

from sqlalchemy.orm import Session

from hearth_bowl.core.diagnose.answer import Verdict
from hearth_bowl.core.diagnose.diagnosis import Cause, Diagnosis, Seen, diagnose
from hearth_bowl.core.diagnose.facts import Facts
from hearth_bowl.core.diagnose.questions import NOT_SURE
from hearth_bowl.core.diagnose.signs import SIGNS, STAGES, signs_at
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.stove.events import PanWeighed, SetStarted, StepBegun
from hearth_bowl.core.stove.step import Step
from hearth_bowl.formats.recipe_file import recipe_from
from hearth_bowl.service.batches import batch_row, get_run
from hearth_bowl.service.learned import happened_in
from hearth_bowl.service.live import batch_trace, live
from hearth_bowl.service.recipes import get_recipe
from hearth_bowl.service.settings import get_settings
from hearth_bowl.service.snapshot import snapshot_of

STAGE_OF_STEP: Final[Mapping[str, str]] = {
    "dissolve": "dissolve",
    "boil": "boil",
    "chop": "melt",
    "melt": "melt",
    "temper-melt": "melt",
    "temper": "melt",
    "temper-cool": "melt",
    "temper-warm": "melt",
    "temper-work": "dip",
    "warm": "melt",
    "pour": "set",
    "join": "join",
    "stir-in-cool": "join",
    "late": "join",
    "fold-in": "join",
    "mix": "join",
    "rest-in": "join",
    "knead": "roll",
    "oil": "join",
    "grind": "join",
    "roast": "melt",
    "hold": "join",
    "cool-still": "cool",
    "rest-cold": "cool",
    "enzyme": "cool",
    "beat": "beat",
    "whip": "beat",
    "set": "set",
    "rest": "set",
    "half-set": "set",
    "shell-sets": "set",
    "cap-sets": "set",
    "coat-sets": "set",
    "cook-egg": "join",
    "fill": "unmould",
    "work": "roll",
    "shell": "dip",
    "cap": "dip",
    "smear": "dip",
    "dip": "dip",
    "cut": "cut",
    "portion": "roll",
    "roll": "roll",
    "roll-in": "roll",
    "toppings": "dip",
    "decorate": "dip",
    "halves": "unmould",
    "unmould": "unmould",
}
"""The stage of looking that a step at the stove is."""
SMEAR, KEPT_DRY = "smear", "temper-melt"
"""Steps whose question tells whether the chocolate was in temper, and whether everything was dry."""


@dataclass(frozen=True, slots=True, kw_only=True)
class SignOut:
    """A sign: its key, its word, what it looks like, and the stages at which it is usual."""

    key: str
    word: str
    looks: str
    stages: tuple[str, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class StageOut:
    """A stage, and the signs that are usual at it."""

    key: str
    name: str
    signs: tuple[str, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Known:
    """What is known of a batch, or of a recipe alone, when something looks wrong: filled in, for the cook to change."""

    stage: str
    mass_g: float
    now_c: float | None
    facts: Facts


@dataclass(frozen=True, slots=True, kw_only=True)
class Look:
    """What is seen, of a batch or a recipe, at a stage; what the cook changed of what is known, and answered."""

    batch_id: int | None = None
    recipe_id: int | None = None
    stage: str
    seen: tuple[str, ...]
    mass_g: float | None = None
    now_c: float | None = None
    facts: Facts = field(default_factory=Facts)
    answers: Mapping[str, str] = field(default_factory=dict)


@dataclass(frozen=True, slots=True, kw_only=True)
class AskOut:
    """What is asked next, and why it is asked."""

    key: str
    question: str
    options: tuple[str, ...]
    why: str


@dataclass(frozen=True, slots=True, kw_only=True)
class AddOut:
    """What is added [g]: a key of the library, or the line of the recipe whose ingredient it is."""

    name: str
    g: float
    ingredient: str | None
    position: int | None


@dataclass(frozen=True, slots=True, kw_only=True)
class RemedyOut:
    """What to do, what to add and at which warmth, and what follows."""

    do: str
    add: tuple[AddOut, ...]
    work_c: tuple[float, float] | None
    then: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Told:
    """What is told of what is seen."""

    verdict: Verdict
    say: str
    causes: tuple[Cause, ...]
    ask: AskOut | None
    remedy: RemedyOut | None
    instead: str
    cautions: tuple[str, ...]
    mass_g: float


def signs() -> tuple[tuple[SignOut, ...], tuple[StageOut, ...]]:
    """Return every sign, and every stage with its signs."""
    return (
        tuple(
            SignOut(key=key, word=sign.word, looks=sign.looks, stages=tuple(sorted(sign.stages)))
            for key, sign in SIGNS.items()
        ),
        tuple(StageOut(key=key, name=name, signs=signs_at(key)) for key, name in STAGES.items()),
    )


def known_of_batch(session: Session, batch_id: int, now: datetime) -> Known:
    """Return what is known of a batch already: its stage, trace, gates passed by, weights and kitchen.

    :raises NotFound: there is no such batch.
    """
    row = batch_row(session, batch_id)
    run, snapshot = get_run(session, batch_id), snapshot_of(session, row)
    happened = happened_in(session, row)
    at_s = (now - row.started_at).total_seconds()
    trace = batch_trace(session, batch_id, now)
    points = [point for stretch in trace.stretches for point in stretch]
    since_s = max((at for at, what in happened if isinstance(what, StepBegun)), default=0.0)
    stage = "keep" if row.ended_at is not None else _stage(run.steps[row.step])
    hottest = max(points, key=lambda point: point[1], default=None)
    lately = [c for at, c in points if at >= since_s]
    pan = next((what for _, what in reversed(happened) if isinstance(what, PanWeighed)), None)
    set_s = max((at for at, what in happened if isinstance(what, SetStarted)), default=None)
    began_s = set_s if stage in ("set", "unmould", "cut", "roll") and set_s is not None else since_s
    undissolved = any(
        what.kind == "gate" and what.key == "dissolve" and what.answer in ("no", "skipped") for _, what in happened
    )
    asked = {what.key: what.answer for _, what in happened if what.kind == "gate" and what.gate == "ask"}
    smear = asked.get(SMEAR)
    facts = Facts(
        hottest_c=None if hottest is None else round(hottest[1], 1),
        hottest_when="" if hottest is None else _clock(row.started_at, hottest[0]),
        coldest_c=round(min(lately), 1) if lately and stage in ("join", "beat", "cool") else None,
        room_c=snapshot.kitchen_c if stage in ("set", "keep", "dip", "unmould") else None,
        minutes=round((at_s - began_s) / 60, 1) if row.ended_at is None else None,
        water_lost_g=None if pan is None else pan.start_g - pan.now_g,
        sugar_dissolved=False if undissolved else None,
        drops_of_water=1.0 if asked.get(KEPT_DRY) == "no" else None,
        tempered=None if smear in (None, "skipped") else smear == "yes",
        days=None if row.ended_at is None else float(max(0, (now - row.ended_at).days)),
    )
    heard = live(session, batch_id, now)
    true_c = None if heard.true_c is None or row.ended_at is not None else round(heard.true_c, 1)
    return Known(stage=stage, mass_g=sum(run.state.amounts_g), now_c=true_c, facts=_agreeing(facts, true_c))


def _agreeing(facts: Facts, now_c: float | None) -> Facts:
    """Return facts of which the hottest is not below what it is now, nor the coldest above."""
    if facts.hottest_c is not None and facts.coldest_c is not None and facts.coldest_c > facts.hottest_c:
        return replace(facts, coldest_c=None)
    return facts


def _stage(step: Step) -> str:
    found = STAGE_OF_STEP.get(step.act)
    if found is not None:
        return found
    return {"boil": "boil", "melt": "melt", "warm": "melt", "cool": "cool"}.get(step.heat, "join")


def _clock(started_at: datetime, at_s: float) -> str:
    return f"at {(started_at + timedelta(seconds=at_s)).astimezone():%H:%M}"


def look(session: Session, seen: Look) -> Told:
    """Return what is told of what is seen. Nothing is stored.

    :raises NotFound: there is no such batch or recipe. :raises BadInput: naming the field.
    """
    if seen.batch_id is not None:
        record = get_run(session, seen.batch_id).recipe
        kitchen = Kitchen(altitude_m=snapshot_of(session, batch_row(session, seen.batch_id)).altitude_m)
    elif seen.recipe_id is not None:
        record, kitchen = get_recipe(session, seen.recipe_id).recipe, get_settings(session).kitchen
    else:
        raise BadInput(("recipe_id",), "is missing", "a recipe or a batch", "missing")
    recipe = recipe_from(record)
    found = diagnose(
        Seen(
            recipe=recipe,
            stage=seen.stage,
            signs=tuple(dict.fromkeys(seen.seen)),
            mass_g=seen.mass_g,
            now_c=seen.now_c,
            facts=seen.facts,
            answers=seen.answers,
            kitchen=kitchen,
        )
    )
    return _told(found, [line.ingredient.label for line in recipe.lines])


def _told(found: Diagnosis, labels: Sequence[str]) -> Told:
    answer, ask = found.answer, found.ask
    remedy = answer.remedy
    return Told(
        verdict=answer.verdict,
        say=answer.say,
        causes=found.causes,
        ask=None
        if ask is None
        else AskOut(key=ask.key, question=ask.text, options=(*ask.options, NOT_SURE), why=ask.why),
        remedy=None
        if remedy is None
        else RemedyOut(
            do=remedy.do,
            add=tuple(
                AddOut(
                    name=dose.ingredient.name,
                    g=dose.g,
                    ingredient=dose.ingredient.key,
                    position=None if dose.ingredient.key is not None else labels.index(dose.ingredient.label),
                )
                for dose in remedy.add
            ),
            work_c=remedy.work_c,
            then=remedy.then,
        ),
        instead=answer.instead,
        cautions=tuple(caution.message for caution in found.cautions),
        mass_g=found.mass_g,
    )
