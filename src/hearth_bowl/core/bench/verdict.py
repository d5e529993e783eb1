"""The verdict: one sentence that says whether the mass does what it is for, and where that ends."""

from dataclasses import dataclass
from itertools import pairwise
from math import ceil, floor
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.assess.at_work import RESTED_C, WORK, Work
from hearth_bowl.core.mass.cooking import CookPlan
from hearth_bowl.core.mass.set_index import HIGHEST_INDEX, SetIndex
from hearth_bowl.core.recipe.families import FAMILY
from hearth_bowl.core.recipe.recipe import FAMILIES, Recipe

CURVE_C: Final = tuple(float(t) for t in range(39))
"""The temperatures from fridge to hand at which the set curve is read [°C]. Numerical, by definition."""
ROOM_ENDS_C: Final = 24.0
"""What is worked warmer than a room is judged by how it rests."""
DOES: Final = MappingProxyType(
    {
        "pour": ("Pours", "to pour"),
        "glaze": ("Glazes", "to glaze"),
        "dollop": ("Dollops softly", "to dollop"),
        "pipe": ("Pipes", "to pipe"),
        "fill-shell": ("Fills shells", "to fill shells"),
        "coat-cake": ("Coats a cake", "to coat a cake"),
        "roll": ("Rolls cleanly", "to roll"),
        "cut": ("Cuts cleanly", "to cut"),
        "frame": ("Cuts on a chocolate bottom", "to cut in a frame"),
    }
)
CLASS_DOES: Final = MappingProxyType(
    {
        "sauce": "Pours like a sauce",
        "glaze": "Glazes, and levels itself",
        "pipe": "Pipes and holds its shape",
        "roll": "Rolls between the palms",
        "cut": "Cuts into slabs",
        "hard": "Sets hard",
    }
)


@dataclass(frozen=True, slots=True, kw_only=True)
class Verdict:
    """The sentence: `lead`, `turn` where it changes, `fits` whether it does what it is for (None: unknown)."""

    lead: str
    turn: str
    fits: bool | None


def verdict(recipe: Recipe, reading: SetIndex, curve: list[float]) -> Verdict:
    """Return the sentence of a recipe at the temperature of its reading. `curve` is the index at CURVE_C."""
    place = f"at ⟦{reading.at_c:g} °C⟧"
    if recipe.family == "dry-mix":
        return Verdict(lead=FAMILIES[recipe.family], turn="it stays loose: weigh it by the cup of milk", fits=None)
    if reading.index is None:
        own = FAMILY[recipe.family].sets
        turn = own[:1].lower() + own[1:].rstrip(".") if own else "how firm it sets is not computed"
        return Verdict(lead=FAMILIES[recipe.family], turn=turn, fits=None)
    work = WORK.get(recipe.use or "")
    if recipe.use is None or work is None or work.rested is None:
        does = CLASS_DOES[reading.class_ or "hard"]
        return Verdict(lead=f"{does} {place}", turn="", fits=None)
    low, high = work.rested
    does, to_do = DOES[recipe.use]
    if reading.at_c > ROOM_ENDS_C and work.worked_c[1] > ROOM_ENDS_C:
        lead = f"{does} {place}"
        if reading.at_c < work.worked_c[0] and work.worked_c[0] > ROOM_ENDS_C:
            lead = f"Cool {to_do} {place}"
        if reading.at_c > work.worked_c[1]:
            lead = f"Too warm {to_do} {place}"
        return _worked_warm(lead, work, curve[CURVE_C.index(RESTED_C)])
    if reading.index < low:
        colder = crossing_c(curve, low)
        turn = f"firm enough below ⟦{floor(colder):g} °C⟧" if colder is not None else "even straight from the fridge"
        return Verdict(lead=f"Too soft {to_do} {place}", turn=turn, fits=False)
    if reading.index > high:
        warmer = crossing_c(curve, high)
        turn = f"ready above ⟦{ceil(warmer):g} °C⟧" if warmer is not None else "at any kitchen temperature"
        return Verdict(lead=f"Too firm {to_do} {place}", turn=turn, fits=False)
    soft = crossing_c(curve, low)
    turn = f"softens above ⟦{ceil(soft):g} °C⟧" if soft is not None and low > 0 else ""
    return Verdict(lead=f"{does} {place}", turn=turn, fits=True)


def _worked_warm(lead: str, work: Work, rested_index: float) -> Verdict:
    """Return the sentence of what is worked warm: its index there says nothing, the one that it rests at does."""
    low, high = work.rested or (0.0, HIGHEST_INDEX)
    fits = low <= rested_index <= high
    rests = "as it should" if fits else "too soft" if rested_index < low else "too firm"
    return Verdict(
        lead=lead,
        turn=f"work it at ⟦{work.worked_c[0]:g} to {work.worked_c[1]:g} °C⟧, it rests {rests} at ⟦{RESTED_C:g} °C⟧",
        fits=fits,
    )


def cooking_verdict(plan: CookPlan) -> Verdict:
    """Return the sentence of what is cooked down: where to stop, and what comes out."""
    cooked = plan.cooked
    return Verdict(
        lead=f"Cook it to ⟦{cooked.to_c:.0f} °C⟧",
        turn=f"⟦{cooked.finished_g:.0f} g⟧ with {cooked.water_left_pct:.0f} % water",
        fits=None,
    )


def crossing_c(curve: list[float], index: float) -> float | None:
    """Return the temperature at which a falling curve passes below an index, or None where it does not."""
    for (t0, y0), (t1, y1) in pairwise(zip(CURVE_C, curve, strict=True)):
        if y0 >= index > y1:
            return t0 + (t1 - t0) * (y0 - index) / (y0 - y1)
    return None
