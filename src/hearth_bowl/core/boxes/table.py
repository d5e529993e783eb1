"""The table: how pieces stand where they are eaten, in its warmth and for as long as they stand, and what helps.

A piece is judged by what holds it: its shell or coat of chocolate, else the mass itself, by the set index at the
table's warmth. Borders of the index are those of its classes; hours out of the cold are common practice. Judgements,
no promise.
"""

from dataclasses import dataclass
from typing import Final, Literal

from hearth_bowl.core.assess.assess import assess
from hearth_bowl.core.confection.stuff import stuff_of
from hearth_bowl.core.confection.work_out import Worked, WorkedPart
from hearth_bowl.core.errors import check_number
from hearth_bowl.core.ingredients.library import LIBRARY
from hearth_bowl.core.mass.cooking import finished_or_none
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.mass.mixture import mix
from hearth_bowl.core.mass.split import offered_up_to
from hearth_bowl.core.recipe.recipe import Line, Recipe, checked_recipe
from hearth_bowl.core.solve.slide import slide_of, slide_to

State = Literal["firm", "soft", "runs", "unknown"]
FIRM: Final = 2.6
"""From this index on a mass can be rolled: it keeps its shape and leaves the fingers clean. A judgement."""
RUNS: Final = 1.6
"""Below it a mass can at most be piped: it does not hold its shape. A judgement."""
OUT_OF_COLD_H: Final = 2.0
"""What keeps in the fridge is out of it so long in all. Common practice; local food rules decide."""
DEW_FROM_C: Final = 18.0
"""From this warmth on dew settles on what comes out of the fridge uncovered. A judgement."""
FIRMER_MOST: Final = 1.6
"""A ratio is raised so far at most: beyond it another confection is meant. A judgement."""
STEPS: Final = 12  # numerical, by definition
OTHER_CHOCOLATES: Final = ("dark60", "dark70")
HOTTEST_C: Final = 40.0  # a judgement


@dataclass(frozen=True, slots=True, kw_only=True)
class Firmer:
    """A ratio of chocolate to its liquid at which a recipe's mass stays firm there: what it is, and what it takes."""

    recipe: str
    from_ratio: float
    to_ratio: float


@dataclass(frozen=True, slots=True, kw_only=True)
class AtTable:
    """How a confection stands: firm, soft or running, what decides it with its index and band, and what helps."""

    name: str
    state: State
    decides: str
    index: float | None
    low: float | None
    high: float | None
    says: tuple[str, ...]
    helps: tuple[str, ...]
    firmer: Firmer | None


def at_table(worked: Worked, table_c: float, hours: float, kitchen: Kitchen | None = None) -> AtTable:
    """Return how a confection stands at a table's warmth for some hours.

    :raises BadInput: at `table_c` or `hours`.
    """
    check_number(("table_c",), table_c, 0, HOTTEST_C, "°C")
    check_number(("hours",), hours, 0, 48, "h")
    kitchen = kitchen or Kitchen()
    part = _holds(worked)
    stuff = stuff_of(part.part, worked.confection.form, kitchen)
    reading = assess(stuff.recipe, table_c, stuff.eaten).set
    state = _state(reading.low, reading.high)
    firmer = _firmer(part, table_c, kitchen) if state in ("soft", "runs") else None
    return AtTable(
        name=worked.confection.name,
        state=state,
        decides=f"{part.part.role}: {part.name}",
        index=reading.index,
        low=reading.low,
        high=reading.high,
        says=tuple(_says(worked, table_c, hours)),
        helps=tuple(_helps(worked, part, state, table_c)),
        firmer=firmer,
    )


def _holds(worked: Worked) -> WorkedPart:
    """Return the part that holds a piece in shape: chocolate round it, else its largest mass."""
    round_it = [part for part in worked.parts if part.part.role in ("shell", "coat") and part.is_chocolate]
    if round_it:
        return round_it[0]
    made = [part for part in worked.parts if isinstance(part.part.of, Recipe)]
    return max(made or list(worked.parts), key=lambda part: part.each_g)


def _state(low: float | None, high: float | None) -> State:
    if low is None or high is None:
        return "unknown"
    return "firm" if low >= FIRM else "runs" if high < RUNS else "soft"


def _says(worked: Worked, table_c: float, hours: float) -> list[str]:
    found = []
    if worked.keeping.where == "fridge":
        if hours > OUT_OF_COLD_H:
            found.append(
                f"It belongs in the cold: after {OUT_OF_COLD_H:g} h out of it in all it is eaten or thrown away."
            )
        if table_c >= DEW_FROM_C:
            found.append("It sweats when it comes out uncovered: leave the box closed until it is as warm as the room.")
    return found


def _helps(worked: Worked, part: WorkedPart, state: State, table_c: float) -> list[str]:
    if state in ("firm", "unknown") and worked.keeping.where != "fridge":
        return []
    found = ["a cool box until they are eaten", "small plates: what is eaten in half an hour, the rest stays cool"]
    if part.is_chocolate and state in ("soft", "runs"):
        firm = next((key for key in OTHER_CHOCOLATES if _chocolate_is_firm(key, table_c)), None)
        if firm is not None:
            found.append(f"{LIBRARY[firm].name} in place of {part.name}: it stays firm there")
    return found


def _chocolate_is_firm(key: str, table_c: float) -> bool:
    alone = checked_recipe(
        name=LIBRARY[key].name,
        family="filling",
        use=None,
        lines=[Line(ingredient=LIBRARY[key], amount=100.0)],
        steps=[],
    )
    reading = assess(alone, table_c).set
    return _state(reading.low, reading.high) == "firm"


def _firmer(part: WorkedPart, table_c: float, kitchen: Kitchen) -> Firmer | None:
    """Return the least ratio at which the mass stays firm there; None where none is near, or it would be fragile."""
    recipe = part.part.of
    if not isinstance(recipe, Recipe) or finished_or_none(recipe, kitchen) is not None or slide_of(recipe) is None:
        return None
    now = _ratio(recipe)
    if now is None:
        return None
    low, high = 1.0, FIRMER_MOST
    if not _is_firm(slide_to(recipe, now * high), table_c):
        return None
    before = mix(recipe)
    for _ in range(STEPS):
        middle = (low + high) / 2
        low, high = (low, middle) if _is_firm(slide_to(recipe, now * middle), table_c) else (middle, high)
    if offered_up_to(recipe, before, mix(slide_to(recipe, now * high))) is not None:
        return None
    return Firmer(recipe=recipe.name, from_ratio=now, to_ratio=now * high)


def _is_firm(recipe: Recipe, table_c: float) -> bool:
    reading = assess(recipe, table_c, mix(recipe)).set
    return _state(reading.low, reading.high) == "firm"


def _ratio(recipe: Recipe) -> float | None:
    slide = slide_of(recipe)
    if slide is None:
        return None
    chocolate_g = slide.held_same_side_g + slide.moving_g if slide.side == "chocolate" else slide.other_side_g
    liquid_g = slide.other_side_g if slide.side == "chocolate" else slide.held_same_side_g + slide.moving_g
    return chocolate_g / liquid_g if liquid_g > 0 else None
