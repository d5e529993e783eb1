"""A step of a run: what to do, its gate, its ceiling, why it matters."""

from dataclasses import dataclass
from typing import Literal

Heat = Literal["none", "warm", "boil", "melt", "cool", "work"]
"""How the temperature goes: rising to a target, boiling to an end, melting under a ceiling, cooling, held to work."""


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
    attended: bool = True
    positions: tuple[int, ...] = ()
