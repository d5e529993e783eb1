"""The card's own method: its sentences take the place of ours in the acts that they are, and its temperatures count.

The card never lifts what can hurt: egg temperatures, and the ceilings of temper and enzyme. Where card and handbook
differ by more than the band, both figures are told with what each means.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.mass.boiling import SEA_LEVEL_KPA, cook_to
from hearth_bowl.core.mass.cooking import cook_to_same_solids, cooked_part
from hearth_bowl.core.method.act import WORKING, Act, Range
from hearth_bowl.core.method.chain import Serves, named, put_after, take_out, with_moves
from hearth_bowl.core.method.cook import Cook
from hearth_bowl.core.method.families.fudge import END_BAND_K
from hearth_bowl.core.recipe.steps import Between, CardStep, middle

LIKE: Final[Mapping[str, tuple[str, ...]]] = MappingProxyType(
    {
        "heat": ("boil", "cook", "melt"),
        "boil": ("heat",),
        "cook": ("heat", "boil"),
        "melt": ("heat",),
        "cool": ("rest", "set"),
        "rest": ("set", "cool"),
        "set": ("rest",),
        "beat": ("whip", "knead"),
        "whip": ("beat",),
        "knead": ("beat", "join"),
        "join": ("knead",),
        "pour": ("fill",),
        "fill": ("pour",),
        "coat": ("dip",),
        "dip": ("coat",),
        "roll": ("portion",),
        "portion": ("roll",),
        "grind": ("weigh",),
    }
)
"""Other kinds that a cook may mean by a verb, the likeliest first. A judgement."""
DIFFERS_K: Final = 1.0
"""A card's end of a boil within this much of ours is the same. 1 °C is about 1 % of water. Handbook, section C."""
GATE_DIFFERS_K: Final = 3.0
"""Other temperatures within this much of ours are the same. A judgement."""
MOST_WORDS: Final = 5
"""A title is two to five words. By definition."""
RESTING: Final = frozenset({"rest", "set", "cool", "dwell", "bloom"})
EGG: Final = "egg-cooked"
COLD_C: Final = 10.0
"""What is chilled to this or below stays so: egg and cream grow germs above it. Handbook, section L."""
FIRMNESS: Final = ((6.0, "hard"), (10.5, "firm"), (14.0, "soft"))
"""What a caramel with up to this much water [%] is; beyond, it flows. Handbook, section L."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Differs:
    """A card's temperature that is not ours [°C], and what each means."""

    act: str
    card_c: float
    book_c: float
    message: str


def with_card(
    acts: Sequence[Act], steps: Sequence[CardStep], cook: Cook | None, serves: Serves
) -> tuple[list[Act], tuple[Differs, ...]]:
    """Return acts with a card's steps in the acts that they are, and where the two differ.

    A step that is none of our acts becomes an act of its own. A step of the cook's own stands where she put it: in the
    place of an act, after it, or for an act that is left out, where nothing goes in at it and nothing is checked. Acts
    that she moved are moved first. `serves` tells which acts the steps may be.

    :param cook: the batch of the mix; None for the steps of the piece.
    """
    found, differs = with_moves(acts, steps, serves), list[Differs]()
    last: int | None = None
    used: set[str] = set()
    for number, step in enumerate(steps):
        if step.place == "moved":
            continue
        there = named(found, step.act, serves) if step.place else None
        if step.place == "left-out":
            if there is not None and may_be_left_out(found[there]):
                take_out(found, there)
                last = None if last is None else last - (there <= last)
            continue
        if there is not None and step.place == "after":
            at = _put_in(found, step, there, number, serves)
        else:
            at = _match(found, step, used, last, serves) if there is None else there
            at = _put_in(found, step, last, number, serves) if at is None else _worded(found, at, step)
        if at is None:
            continue
        found[at] = replace(found[at], card_steps=(*found[at].card_steps, number))
        used.add(found[at].id)
        found[at], said = _at_its_temperature(found[at], step, cook)
        found[at] = _in_its_time(found[at], step)
        differs += said
        last = at
    return found, tuple(differs)


def _worded(acts: list[Act], at: int, step: CardStep) -> int:
    """Give an act the words of a step, after those that it has from the card already; return its place."""
    if step.text.strip():
        text = f"{acts[at].do} {step.text}" if acts[at].from_card else step.text
        acts[at] = replace(acts[at], do=text, from_card=True)
    return at


def may_be_left_out(act: Act) -> bool:
    """Return whether an act may be left out: nothing goes in, nothing is checked or kept below a ceiling, and no
    caution stands at it."""
    is_checked = act.target_c is not None or act.ceiling_c is not None or act.gate_min is not None or bool(act.ask)
    return not (act.takes or is_checked or act.cautions or act.kind in WORKING)


def _match(acts: Sequence[Act], step: CardStep, used: set[str], last: int | None, serves: Serves) -> int | None:
    """Return the act that a step is: of its kind or one like it, first of those that come next."""
    if step.kind is None:
        return last
    for kind in (step.kind, *LIKE.get(step.kind, ())):
        free = [at for at, act in enumerate(acts) if act.kind == kind and act.id not in used and serves(act)]
        named = [at for at in free if any(take.ingredient.label in step.ingredients for take in acts[at].takes)]
        after = [at for at in (named or free) if last is None or at > last]
        if after:
            return after[0]
    return None


def _put_in(acts: list[Act], step: CardStep, last: int | None, number: int, serves: Serves) -> int | None:
    """Put in an act of the card's own after the last one that was found; return its place."""
    if last is None:
        last = next((at for at, act in enumerate(acts) if serves(act)), None)
        if last is None:
            return None
    before = acts[last]
    usual = _band(step.minutes) or (2.0, 5.0, 10.0)
    own = Act(
        id=f"{before.id.rsplit('.', 1)[0]}.card{number + 1}" if "." in before.id else f"card{number + 1}",
        kind=step.kind or "join",
        of=before.of,
        title=_title(step.text),
        do=step.text,
        target_c=_range(step.to_c, GATE_DIFFERS_K),
        minutes=usual,
        hands=step.kind not in RESTING,
        uses=before.uses,
        mass=before.mass,
        holds=before.holds,
        from_card=True,
    )
    return put_after(acts, last, own)


def _title(text: str) -> str:
    return " ".join(text.split()[:MOST_WORDS]).rstrip(".,;:!")


def _band(value: Between) -> tuple[float, float, float] | None:
    if value is None:
        return None
    low, high = value if isinstance(value, tuple) else (value, value)
    return low, (low + high) / 2, high


def _range(value: Between, spread: float) -> Range | None:
    if value is None:
        return None
    return value if isinstance(value, tuple) else (value - spread / 2, value + spread / 2)


def _in_its_time(act: Act, step: CardStep) -> Act:
    band = _band(step.minutes)
    if band is None:
        return act
    if EGG in act.cautions or "raw-egg" in act.cautions:
        return act if act.gate_min is None else replace(act, gate_min=max(act.gate_min, band[0]))
    if act.hands and act.gate_min is None:
        return replace(act, minutes=band)
    return replace(act, minutes=band, gate_min=band[0])


def _at_its_temperature(act: Act, step: CardStep, cook: Cook | None) -> tuple[Act, list[Differs]]:
    card_c = middle(step.to_c)
    if card_c is None or (act.target_c is None and act.kind not in LIKE):
        return act, []
    if act.kind == "boil" and cook is not None and cook.boil is not None and act.target_c is not None:
        return _boiled(act, card_c, cook)
    book_c = None if act.target_c is None else sum(act.target_c) / 2
    spread = GATE_DIFFERS_K if act.kind not in ("cook",) else 0.0
    if _is_held(act, card_c):
        assert book_c is not None
        message = _held_words(act, card_c)
        return act, [Differs(act=act.id, card_c=card_c, book_c=book_c, message=message)]
    own = _range(step.to_c, spread)
    if act.ceiling_c is not None and own is not None:
        own = (min(own[0], act.ceiling_c), min(own[1], act.ceiling_c))
    if book_c is None or act.target_c is None:
        return replace(act, target_c=own), []
    low, high = act.target_c
    if low - GATE_DIFFERS_K <= card_c <= high + GATE_DIFFERS_K:
        return replace(act, target_c=own), []
    message = f"The card says ⟦{card_c:g} °C⟧; usual is ⟦{low:g} to {high:g} °C⟧. {act.why}".strip()
    if cook is not None and cook.choices["target"] == "ours":
        return act, [Differs(act=act.id, card_c=card_c, book_c=book_c, message=message)]
    return replace(act, target_c=own), [Differs(act=act.id, card_c=card_c, book_c=book_c, message=message)]


def _is_held(act: Act, card_c: float) -> bool:
    """Return whether a card's temperature would hurt: above a ceiling, below what cooks egg, out of temper, or too
    warm to chill to."""
    if act.target_c is None:
        return False
    low, high = act.target_c
    if act.kind == "cook":
        return card_c < low or (act.ceiling_c is not None and card_c > act.ceiling_c)
    if act.kind in ("temper", "hold"):
        return not low - DIFFERS_K <= card_c <= high + DIFFERS_K
    if _is_too_warm(act, card_c):
        return True
    return act.ceiling_c is not None and card_c > act.ceiling_c


def _is_too_warm(act: Act, card_c: float) -> bool:
    """Return whether a card leaves warm what is to be cold."""
    return act.kind in RESTING and act.target_c is not None and act.target_c[1] <= COLD_C < card_c


def _held_words(act: Act, card_c: float) -> str:
    assert act.target_c is not None
    low, high = act.target_c
    if act.ceiling_c is not None and card_c > act.ceiling_c:
        return (
            f"The card says ⟦{card_c:g} °C⟧. Above ⟦{act.ceiling_c:g} °C⟧ it is spoiled, so ⟦{low:g} to {high:g} °C⟧ "
            f"stays the target. {act.why}"
        ).strip()
    if _is_too_warm(act, card_c):
        return (
            f"The card says ⟦{card_c:g} °C⟧. That is too warm to be safe, "
            f"so ⟦{low:g} to {high:g} °C⟧ stays the target. {act.why}"
        ).strip()
    return (
        f"The card says ⟦{card_c:g} °C⟧. That is not enough, so ⟦{low:g} to {high:g} °C⟧ stays the target. {act.why}"
    ).strip()


def _boiled(act: Act, card_c: float, cook: Cook) -> tuple[Act, list[Differs]]:
    """Return a boil to the card's end: its degrees are of sea level, the same water is aimed at here."""
    plan = cook.boil
    assert plan is not None
    pan = cooked_part(cook.recipe)
    try:
        here = cook_to_same_solids(pan, card_c, cook.kitchen.pressure_kpa)
        of_card, of_book = cook_to(pan, card_c, SEA_LEVEL_KPA), cook_to(pan, plan.sea_level_c, SEA_LEVEL_KPA)
    except BadInput:
        message = f"The card says ⟦{card_c:g} °C⟧, which this mix does not reach by boiling."
        return act, [Differs(act=act.id, card_c=card_c, book_c=plan.sea_level_c, message=message)]
    own = replace(act, target_c=(here.to_c - END_BAND_K, here.to_c + END_BAND_K))
    if abs(card_c - plan.sea_level_c) <= DIFFERS_K:
        return own, []
    message = (
        f"The card's ⟦{card_c:g} °C⟧ leaves about {_water(cook, of_card.water_left_pct)}. "
        f"⟦{plan.sea_level_c:.0f} °C⟧ leaves about {_water(cook, of_book.water_left_pct)}."
    )
    if abs(here.to_c - card_c) > END_BAND_K:
        message += f" Here the card's end is ⟦{here.to_c:.1f} °C⟧: water boils cooler at your altitude."
    differs = [Differs(act=act.id, card_c=card_c, book_c=plan.sea_level_c, message=message)]
    return (act if cook.choices["target"] == "ours" else own), differs


def _water(cook: Cook, water_pct: float) -> str:
    """Return a water content in words, and for a caramel how firm it is."""
    if cook.recipe.family != "caramel":
        return f"{water_pct:.1f} % water"
    return f"{water_pct:.1f} % water, {next((word for most, word in FIRMNESS if water_pct <= most), 'flowing')}"
