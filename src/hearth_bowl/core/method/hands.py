"""Hands-on time of a job by count. Common practice; all figures are judgements of ours,
marked as such, and a cook changes them."""

import re
from collections.abc import Mapping
from dataclasses import dataclass
from math import ceil
from types import MappingProxyType
from typing import Final

STEP_MIN: Final = 5
"""Times are rounded up to steps of this many minutes. A judgement."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Hands:
    """Minutes of a job: to begin with, and for each piece (or each line that is weighed)."""

    begin_min: float
    each_min: float


HANDS: Final[Mapping[str, Hands]] = MappingProxyType(
    {
        "weigh": Hands(begin_min=3, each_min=1.0),
        "shell": Hands(begin_min=5, each_min=0.25),
        "fill": Hands(begin_min=5, each_min=0.2),
        "cap": Hands(begin_min=5, each_min=0.15),
        "unmould": Hands(begin_min=3, each_min=0.1),
        "halves": Hands(begin_min=5, each_min=0.5),
        "roll": Hands(begin_min=5, each_min=0.5),
        "core": Hands(begin_min=0, each_min=0.2),
        "rolling": Hands(begin_min=0, each_min=0.15),
        "dip": Hands(begin_min=5, each_min=0.4),
        "cut": Hands(begin_min=5, each_min=0.2),
        "decorate": Hands(begin_min=3, each_min=0.2),
        "spread": Hands(begin_min=10, each_min=5.0),
        "pack": Hands(begin_min=10, each_min=0.15),
        "wash": Hands(begin_min=10, each_min=0.0),
        "temper": Hands(begin_min=20, each_min=0.0),
        "melt": Hands(begin_min=10, each_min=0.0),
    }
)
"""By job: for each piece, of a shell each cavity, of weighing each line, of spreading each layer. A judgement."""


JOB_OF_ACT: Final[Mapping[str, str]] = MappingProxyType(
    {"portion": "roll", "roll": "roll", "dip": "dip", "cut": "cut", "shell": "shell", "cap": "cap", "pour": "fill",
     "fill": "fill", "decorate": "decorate", "toppings": "decorate", "halves": "halves", "beat": "beat",
     "roll-in": "rolling", "unmould": "unmould", "weigh": "weigh"}
)  # fmt: skip
"""The work of an act whose pace a kitchen teaches, by the act. By definition."""
_BEFORE_THE_KEY = re.compile(r"^[^.]+\.(m\d+\.(\d+\.)?)?")


def job_of_act(id_: str) -> str | None:
    """Return the job of an act of an order by its id, such as `c0.m1.roll` or `c0.shell.2`; None where it has none."""
    return JOB_OF_ACT.get(_BEFORE_THE_KEY.sub("", id_).partition(".")[0])


def hands_min(job: str, count: float, effort: float = 1.0) -> int:
    """Return the minutes of a job for so many pieces, to the next step of five."""
    hands = HANDS[job]
    return stepped(effort * (hands.begin_min + hands.each_min * count))


def stepped(minutes: float) -> int:
    """Return minutes to the next step of five, and one step at least."""
    return max(STEP_MIN, STEP_MIN * ceil(minutes / STEP_MIN - 1e-9))
