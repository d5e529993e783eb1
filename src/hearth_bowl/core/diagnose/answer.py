"""An answer: what becomes of a mass, what is done, and what it can be used as."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from types import MappingProxyType
from typing import Final, Literal

from hearth_bowl.core.diagnose.bowl import Bowl
from hearth_bowl.core.diagnose.doses import EATEN_C, Dose
from hearth_bowl.core.mass.set_index import index_at, set_class

Verdict = Literal["passes", "mend", "use-as", "start-again"]


EMULSION_C: Final = (35.0, 45.0)
"""Where a ganache comes together: usual practice (section D)."""


AS_IT_IS: Final[Mapping[str, str]] = MappingProxyType(
    {
        "sauce": "a sauce, or stirred into hot milk",
        "glaze": "a glaze or a thick sauce",
        "pipe": "a filling for a cake or for shells",
        "roll": "rolled balls or a cake's coat",
        "cut": "cut pieces",
        "hard": "shavings, melted into hot milk",
    }
)
"""What a mass can be used as by the class of its set: the uses of the craft."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Remedy:
    """What to do, what to add to the mass in the bowl, at which temperatures [°C], and what follows."""

    do: str
    add: tuple[Dose, ...] = ()
    work_c: tuple[float, float] | None = None
    then: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class Answer:
    """What becomes of it, in words; `instead` is what else it can be used as."""

    verdict: Verdict
    say: str
    remedy: Remedy | None = None
    instead: str = ""


Answering = Callable[[Bowl, str], Answer | None]


def instead_of(bowl: Bowl) -> str:
    """Return what the mass can be used as, as it is; empty where its set is not modelled."""
    if bowl.is_cooked:
        return "crumbled over ice cream, or melted with cream into a sauce"
    if bowl.index is None:
        return ""
    return AS_IT_IS[set_class(index_at(bowl.now, EATEN_C))]
