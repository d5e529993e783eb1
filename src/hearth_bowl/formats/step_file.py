"""Steps in files: a card's own method, as recipe and confection files hold it."""

import json
from collections.abc import Iterable, Mapping, Sequence
from typing import Any, Final, NotRequired

from typing_extensions import TypedDict

from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.recipe.steps import ACTS, LONGEST_STEP, MOST_STEPS, PLACES, Between, CardStep, Place

MOST_C: Final = 400.0  # a limit, by definition
MOST_MINUTES: Final = 525_600.0  # a limit, by definition: a year
MOST_NAMED: Final = 60  # a limit, by definition
MOST_ACT: Final = 80  # a limit, by definition
MOST_DEPTH: Final = 8  # a limit, by definition


class StepFile(TypedDict):
    """A step: its words, the act, the temperature [true °C] and the minutes, each a figure, two, or none.

    A step of the cook's own has its `place` to one of our acts, `act`; one that she moved comes `after` another.
    """

    text: str
    kind: str | None
    to_c: float | list[float] | None
    minutes: float | list[float] | None
    ingredients: list[str]
    place: NotRequired[Place]
    act: NotRequired[str]
    after: NotRequired[str]


def step_records(steps: Iterable[CardStep]) -> list[StepFile]:
    """Return steps as files have them."""
    return [_record(step) for step in steps]


def _record(step: CardStep) -> StepFile:
    record = StepFile(
        text=step.text,
        kind=step.kind,
        to_c=_ends(step.to_c),
        minutes=_ends(step.minutes),
        ingredients=list(step.ingredients),
    )
    if step.place:
        record["place"], record["act"] = step.place, step.act
    if step.after:
        record["after"] = step.after
    return record


def _ends(value: Between) -> float | list[float] | None:
    return list(value) if isinstance(value, tuple) else value


def steps_from(record: Mapping[str, Any]) -> tuple[CardStep, ...]:
    """Return the steps of a file; words alone are a step too, as files of before have them.

    :raises BadInput: at `steps`.
    """
    steps = record.get("steps") or []
    if not isinstance(steps, list):
        raise BadInput(("steps",), "This is not a list.", "a list of steps", "wrong-type")
    if len(steps) > MOST_STEPS or _depth(steps, MOST_DEPTH + 1) > MOST_DEPTH:
        allowed = f"up to {MOST_STEPS} steps, up to {MOST_DEPTH} deep"
        raise BadInput(("steps",), "There are too many steps, or they are nested too deep.", allowed, "out-of-range")
    found = []
    for position, step in enumerate(steps):
        try:
            found.append(_step(step))
        except BadInput as problem:
            raise problem.under("steps", position) from None
    return tuple(found)


def _step(value: object) -> CardStep:
    if isinstance(value, str):
        return CardStep(text=value[:LONGEST_STEP])
    if not isinstance(value, Mapping) or not isinstance(value.get("text", ""), str):
        return CardStep(text=json.dumps(value, ensure_ascii=False)[:LONGEST_STEP])  # as a file of before may have it
    kind = value.get("kind")
    if kind is not None and kind not in ACTS:
        raise BadInput(("kind",), f"“{str(kind)[:40]}” is no act.", "one of " + ", ".join(ACTS), "unknown")
    place = value.get("place") or ""
    if place not in PLACES:
        raise BadInput(("place",), f"“{str(place)[:40]}” is no place.", "one of " + ", ".join(PLACES[1:]), "unknown")
    act = _act_named(value, "act", is_needed=bool(place))
    after = _act_named(value, "after", is_needed=place == "moved")
    named = value.get("ingredients") or []
    if not isinstance(named, list) or len(named) > MOST_NAMED or not all(isinstance(one, str) for one in named):
        raise BadInput(("ingredients",), "This is not a list of names.", f"up to {MOST_NAMED} names", "wrong-type")
    return CardStep(
        text=value.get("text", "")[:LONGEST_STEP],
        kind=kind,
        to_c=_between(value, "to_c", MOST_C, "°C"),
        minutes=_between(value, "minutes", MOST_MINUTES, "min"),
        ingredients=tuple(one[:200] for one in named),
        place=place,
        act=act if place else "",
        after=after if place == "moved" else "",
    )


def _act_named(record: Mapping[str, Any], name: str, *, is_needed: bool) -> str:
    value = record.get(name) or ""
    if not isinstance(value, str) or len(value) > MOST_ACT or (is_needed and not value):
        raise BadInput((name,), "This is not the name of a step.", f"up to {MOST_ACT} characters", "wrong-type")
    return value


def _between(record: Mapping[str, Any], name: str, most: float, unit: str) -> Between:
    value = record.get(name)
    if value is None:
        return None
    if not isinstance(value, Sequence) or isinstance(value, str):
        return check_number((name,), value, -50, most, unit)
    if len(value) != 2:
        raise BadInput((name,), f"{len(value)} figures are given.", "one figure, or a low and a high", "wrong-type")
    low, high = (check_number((name,), one, -50, most, unit) for one in value)
    if low > high:
        raise BadInput((name,), "The low figure is above the high one.", "the low figure first", "out-of-range")
    return low, high


def _depth(value: object, most: int) -> int:
    """Return how deep lists and objects are nested, as far as `most`."""
    if most == 0 or not isinstance(value, list | dict):
        return 0
    inside = value.values() if isinstance(value, dict) else value
    return 1 + max((_depth(part, most - 1) for part in inside), default=0)
