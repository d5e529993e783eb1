"""Standing: where a temperature stands against a step, in words."""

from dataclasses import dataclass
from typing import Final, Literal

from hearth_bowl.core.stove.step import Step

Stand = Literal["below", "in", "over", "ceiling"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Standing:
    """Where it stands, and what to do about it."""

    stand: Stand
    says: str


MARGIN_K: Final = 0.5
"""A state is left only this far beyond its edge: readings waver by tenths of a degree. A judgement."""


def standing(step: Step, now_c: float, before: Stand | None = None) -> Standing | None:
    """Return the judgement of a true temperature at a step; None where the step has no target.

    :param before: how it stood; it stays so within half a degree of the edge.
    """
    if step.ceiling_c is not None and now_c > step.ceiling_c:
        says = "Over the ceiling: off the heat."
        if step.heat == "work" or step.act == "temper-warm":
            says = "Too warm: the seed is lost. Melt it again and start over."
        elif step.act == "dissolve":
            says = "It boils before the sugar is dissolved: turn it down."
        return Standing(stand="ceiling", says=says)
    if step.target_c is None:
        return None
    low, high = _edges(step.target_c, before)
    if now_c < low:
        return Standing(stand="below", says=_below(step))
    if now_c > high:
        return Standing(stand="over", says=_over(step))
    return Standing(stand="in", says="There. Look for the cue." if step.cue else "There.")


def _edges(target_c: tuple[float, float], before: Stand | None) -> tuple[float, float]:
    """Return the edges of a range as they count after a state: nearer to it, so that it is left late."""
    low, high = target_c
    match before:
        case "in":
            return low - MARGIN_K, high + MARGIN_K
        case "below":
            return low, high + MARGIN_K
        case "over":
            return low, high - min(MARGIN_K, (high - low) / 2)
        case _:
            return low, high


def _below(step: Step) -> str:
    return {
        "work": "Too cool: it thickens. Warm it for 5 s and stir.",
        "cool": "Cooler than meant: warm it a little.",
        "melt": "Still coming up.",
        "warm": "Still coming up.",
        "boil": "Not there yet.",
        "none": "Cooler than meant.",
    }[step.heat]


def _over(step: Step) -> str:
    return {
        "work": "Warmer than it should be: stir it cooler before it loses its seed.",
        "cool": "Still too warm: wait.",
        "melt": "Warm enough: off the heat, stir.",
        "warm": "Past it: off the heat.",
        "boil": "Past the end.",
        "none": "Warmer than meant.",
    }[step.heat]
