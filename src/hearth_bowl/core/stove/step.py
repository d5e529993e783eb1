"""A step of a run: what to do, its gate, its ceiling, why it matters."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from types import MappingProxyType
from typing import Final, Literal

Heat = Literal["none", "warm", "boil", "melt", "cool", "work"]
"""How the temperature goes: rising to a target, boiling to an end, melting under a ceiling, cooling, held to work."""

USUAL_MIN: Final[Mapping[str, tuple[float, float]]] = MappingProxyType(
    {
        "none": (3, 8), "warm": (4, 8), "boil": (10, 25), "melt": (4, 10), "cool": (15, 40), "work": (10, 30),
        "set": (60, 720), "rest-cold": (360, 720), "beat": (5, 15), "dissolve": (5, 12),
        "shell": (15, 40), "cut": (10, 30), "portion": (10, 40), "roll": (15, 60), "dip": (10, 40), "roll-in": (5, 15),
        "toppings": (10, 40),
        "roast": (15, 30), "grind": (10, 40), "knead": (5, 15), "oil": (2, 10),
        "decorate": (10, 40), "cap": (10, 30), "halves": (10, 30), "unmould": (60, 720),
    }
)  # fmt: skip
"""How long a step usually takes [min], by its heat or, where it has its own, its key: judged, for half a kilogram."""


@dataclass(frozen=True, slots=True, kw_only=True)
class StepTake:
    """Grams that go in and are no line of the recipe: chocolate round it, what lies on top. Of tempered chocolate
    `seed_g` of `g` are kept back."""

    name: str
    g: float
    seed_g: float | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Step:
    """One step. Temperatures are true °C; the dial's are reckoned by the thermometer's offset.

    A gate is temperature AND time AND cue; any may be missing. `ask` is a question that is asked, not assumed.
    `passes` is what frightens and passes. `positions` are the recipe's lines that go in.
    """

    key: str
    title: str
    do: str
    heat: Heat = "none"
    target_c: tuple[float, float] | None = None
    minutes: float | None = None
    cue: str = ""
    ceiling_c: float | None = None
    ask: str = ""
    why: str = ""
    passes: str = ""
    caution: str = ""
    call: str = ""
    """What is called when the target is reached; empty: it comes off the heat, or it is there."""
    usual_min: tuple[float, float] | None = None
    """How long it usually takes, least and most [min]; None in batches from before it was told."""
    learned: str = ""
    """What this kitchen's own batches changed of it, and by how many."""
    attended: bool = True
    out_of_cold: bool = False
    """Whether what must be kept cold is out meanwhile."""
    positions: tuple[int, ...] = ()
    in_fridge: bool | None = None
    """Whether it cools in the fridge; None in batches from before that was kept."""
    act_id: str = ""
    """The act of the method that it is; empty in batches from before steps were acts."""
    from_card: bool = False
    """Whether the card's own words stand in `do`."""
    takes: tuple[StepTake, ...] = ()

    @property
    def act(self) -> str:
        """Return which act it is, whatever the filling of the mould or the layer."""
        return self.key.split(".")[0]


def with_usual_time(step: Step) -> Step:
    """Return a step that says how long it usually takes: as it was reckoned, or its own minutes where it is timed."""
    if step.usual_min is not None:
        return step
    usual = USUAL_MIN.get(step.key, USUAL_MIN[step.heat])
    return replace(step, usual_min=usual if step.minutes is None else (step.minutes, step.minutes))
