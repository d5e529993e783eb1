"""An act: one thing that is done, with its words, its check, what goes in now, and what must come before."""

from collections.abc import Mapping
from dataclasses import dataclass, field
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.recipe.steps import ACTS

KINDS: Final = ACTS
WORKING: Final = frozenset({"beat", "whip", "knead"})
"""Kinds of act that finish a mix: nothing is stirred in after the last of them. Handbook, section L."""
NOTHING: Final[Mapping[str, int]] = MappingProxyType({})

Range = tuple[float, float]


@dataclass(frozen=True, slots=True, kw_only=True)
class Take:
    """Grams of an ingredient that go in. `position` is its line in the mix; None for what is not of a recipe.

    Of chocolate that is tempered, `seed_g` of `g` are kept back as seed.
    """

    ingredient: Ingredient
    g: float
    position: int | None = None
    seed_g: float | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class After:
    """An act that comes before, at least and at most (None: no limit) this many minutes before."""

    id: str
    least_min: float = 0.0
    most_min: float | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Act:
    """One act. Temperatures are true °C; `minutes` are the least, the usual and the most.

    Its check is temperature and time and cue; any may be missing. `ask` is a question at the check, `passes` what looks
    alarming and is normal. `call` is what is said at the target; empty: that it comes off the heat, or is there.
    `uses` has the keys of what a kitchen has. `mass` is the position of the mix that it belongs to, None for the piece.
    """

    id: str
    kind: str
    of: tuple[str, ...]
    title: str
    do: str
    minutes: tuple[float, float, float]
    cue: str = ""
    ask: str = ""
    why: str = ""
    passes: str = ""
    call: str = ""
    target_c: Range | None = None
    gate_min: float | None = None
    ceiling_c: float | None = None
    hands: bool = True
    takes: tuple[Take, ...] = ()
    after: tuple[After, ...] = ()
    uses: Mapping[str, int] = field(default_factory=lambda: NOTHING)
    in_vessel: bool = False
    out_of_cold: bool = False
    holds: frozenset[str] = frozenset()
    cautions: tuple[str, ...] = ()
    from_card: bool = False
    mass: int | None = None
    turn: int = 0
    session: str = ""
    """Which melting or tempering it is part of: the chocolates and the phase of the work."""
    card_steps: tuple[int, ...] = ()
    """The steps of the card, or of the cook's own, that stand in it, by position."""
    soon_min: float | None = None
    """How soon after the act before it this one must follow [min]; None where it can wait."""

    @property
    def usual_min(self) -> float:
        """Return how long it usually takes."""
        return self.minutes[1]
