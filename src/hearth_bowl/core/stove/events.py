"""What can happen in a run, one kind each. All of it is checked at the door; `run.py` folds it into a state."""

from collections.abc import Mapping
from dataclasses import dataclass, field
from types import MappingProxyType
from typing import Final, Literal

from hearth_bowl.core.cooling.set_ask import SetAsk, check_set_ask
from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.ingredients.library import find

VERDICT_WORDS: Final[Mapping[str, tuple[str, ...]]] = MappingProxyType(
    {
        "as a whole": ("just right", "too soft", "too firm"),
        "in the mouth": ("silky", "smooth", "grainy", "crumbly", "oily", "sticky"),
        "to look at": ("glossy", "dull", "streaked"),
        "cut, snapped, let go": ("cut clean", "smeared", "snaps", "let go", "stuck"),
        "sweetness": ("too sweet", "sweet enough", "not sweet enough"),
        "kept": ("kept well", "dried out", "went soft", "leaked", "spoiled"),
    }
)
"""The words of a verdict, by what they are of: the cues that cooks use."""
VERDICTS: Final = tuple(word for words in VERDICT_WORDS.values() for word in words)
"""All words of a verdict."""
TROUBLES: Final = frozenset(
    {"too soft", "too firm", "grainy", "crumbly", "oily", "sticky", "dull", "streaked", "smeared", "stuck", "too sweet",
     "not sweet enough", "dried out", "went soft", "leaked", "spoiled"}
)  # fmt: skip
"""The words that tell of trouble."""
MOST_TEXT: Final = 2000  # a judgement
MOST_NAME: Final = 200  # a judgement
LEAST_C: Final = -60.0  # a judgement
MOST_C: Final = 400.0  # a judgement
MOST_G: Final = 1e6  # a judgement
LONGEST_BURST_S: Final = 1800.0  # a judgement
LONGEST_SET_S: Final = 60 * 86_400.0
"""Limits of what is kept: judgements, far beyond any kitchen."""


@dataclass(frozen=True, slots=True, kw_only=True)
class StepBegun:
    """A step was gone to, at a temperature [true °C] where one was known."""

    kind: Literal["step"] = "step"
    step: int
    key: str = ""
    c: float | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class StepDone:
    """The open step was finished, and the cook went on with another mix of the same run."""

    kind: Literal["step-done"] = "step-done"
    key: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class GateAnswered:
    """A step's cue or question was answered, or skipped; or what went wrong at it was put right, or left as it is."""

    kind: Literal["gate"] = "gate"
    key: str
    gate: Literal["cue", "ask", "wrong"]
    answer: Literal["yes", "no", "skipped"]
    c: float | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Marked:
    """A moment was marked by one of the cook's words."""

    kind: Literal["mark"] = "mark"
    name: str
    c: float | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Weighed:
    """A line was weighed in [g]."""

    kind: Literal["weight"] = "weight"
    position: int
    g: float
    step: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class PanWeighed:
    """The pan was weighed during a boil [g]."""

    kind: Literal["pan"] = "pan"
    start_g: float
    now_g: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Spilled:
    """Some was spilled: so much is left in the bowl [g], and perhaps what is still to go in, by line."""

    kind: Literal["spill"] = "spill"
    g: float | None = None
    amounts_g: Mapping[int, float] = field(default_factory=dict)


@dataclass(frozen=True, slots=True, kw_only=True)
class Noted:
    """Something was noted, perhaps with amounts changed by it [g], by line."""

    kind: Literal["note"] = "note"
    text: str = ""
    amounts_g: Mapping[int, float] = field(default_factory=dict)


@dataclass(frozen=True, slots=True, kw_only=True)
class CueSeen:
    """A cue was seen, in words."""

    kind: Literal["cue"] = "cue"
    text: str = ""
    c: float | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class CallSeen:
    """A call was seen, in the words it had: it is quiet on every device."""

    kind: Literal["call-seen"] = "call-seen"
    words: str


@dataclass(frozen=True, slots=True, kw_only=True)
class BurstGiven:
    """A microwave burst, the oven's rated power [W], and whether it was the first of the melt."""

    kind: Literal["burst"] = "burst"
    seconds: float
    first: bool = False
    rated_w: float | None = None
    from_c: float | None = None
    """How warm the mass was before it [°C], where that is known."""


@dataclass(frozen=True, slots=True, kw_only=True)
class SetStarted:
    """The mass went in to set, so."""

    kind: Literal["set-start"] = "set-start"
    start: SetAsk


@dataclass(frozen=True, slots=True, kw_only=True)
class SetSeen:
    """Something was seen of what sets, so long after it went in: a temperature, or a cue of a state passed or not."""

    kind: Literal["set-seen"] = "set-seen"
    after_s: float
    state: str = ""
    now_c: float | None = None
    passed: bool | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class ProbeChanged:
    """Another thermometer is heard from here on; `before` is the one heard until then."""

    kind: Literal["probe"] = "probe"
    probe_id: str
    before: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class Judgement:
    """What became of it, in the words of a verdict and one's own."""

    kind: Literal["verdict"] = "verdict"
    words: tuple[str, ...] = ()
    text: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class Yielded:
    """What was weighed of it: all that was made, what came into the vessel, and a shell with its cap [g]; pieces."""

    kind: Literal["yield"] = "yield"
    made_g: float | None = None
    filled_g: float | None = None
    shell_each_g: float | None = None
    pieces: int | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class MendedWith:
    """Something put in to mend it [g]: an ingredient of the library by its key, or that of a line of the recipe."""

    g: float
    ingredient: str | None = None
    position: int | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Mended:
    """It was mended: why, in the key of a cause, what was put in, and what was done."""

    kind: Literal["mend"] = "mend"
    cause: str
    put_in: tuple[MendedWith, ...] = ()
    text: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class Ended:
    """The run is over."""

    kind: Literal["end"] = "end"


Happening = (
    StepBegun
    | StepDone
    | GateAnswered
    | Marked
    | Weighed
    | PanWeighed
    | Spilled
    | Noted
    | CueSeen
    | CallSeen
    | BurstGiven
    | SetStarted
    | SetSeen
    | ProbeChanged
    | Judgement
    | Yielded
    | Mended
    | Ended
)


def check_happening(what: Happening, steps: int, lines: int) -> None:
    """Check that what is said to have happened can happen in a run of so many steps and lines.

    :raises BadInput: naming the field.
    """
    match what:
        case StepBegun():
            _check_place("step", what.step, steps)
        case Weighed():
            _check_place("position", what.position, lines)
        case Judgement():
            for position, word in enumerate(what.words):
                if word not in VERDICTS:
                    raise BadInput(("words", position), f"unknown word {word[:40]!r}", ", ".join(VERDICTS), "unknown")
        case Mended():
            _check_mended(what, lines)
        case SetStarted():
            try:
                check_set_ask(what.start)
            except BadInput as problem:
                raise problem.under("start") from None
        case Spilled() | Noted():
            for position, grams in what.amounts_g.items():
                _check_place("amounts_g", position, lines)
                check_number(("amounts_g", position), grams, 0, MOST_G, "g")
    for name, least, most, unit in RANGES:
        value = getattr(what, name, None)
        if value is not None and not isinstance(value, str):
            check_number((name,), value, least, most, unit)
    if isinstance(what, CallSeen) and len(what.words) > MOST_NAME:
        raise BadInput(("words",), f"{len(what.words)} characters", f"up to {MOST_NAME}", "out-of-range")
    for name in ("key", "name", "step", "state", "probe_id", "before", "text", "cause"):
        value = getattr(what, name, None)
        most_signs = MOST_TEXT if name == "text" else MOST_NAME
        if isinstance(value, str) and len(value) > most_signs:
            raise BadInput((name,), f"{len(value)} characters", f"up to {most_signs}", "out-of-range")


RANGES: Final = (
    ("c", LEAST_C, MOST_C, "°C"),
    ("now_c", LEAST_C, MOST_C, "°C"),
    ("g", 0.0, MOST_G, "g"),
    ("start_g", 0.0, MOST_G, "g"),
    ("now_g", 0.0, MOST_G, "g"),
    ("seconds", 0.0, LONGEST_BURST_S, "s"),
    ("rated_w", 100.0, 5000.0, "W"),
    ("from_c", LEAST_C, MOST_C, "°C"),
    ("made_g", 0.0, MOST_G, "g"),
    ("filled_g", 0.0, MOST_G, "g"),
    ("shell_each_g", 0.0, 1000.0, "g"),
    ("pieces", 0.0, 100_000.0, ""),
    ("after_s", 0.0, LONGEST_SET_S, "s"),
)
"""(field, least, most, unit): what a kitchen may have; judgements."""


def _check_mended(what: Mended, lines: int) -> None:
    for number, put in enumerate(what.put_in):
        check_number(("put_in", number, "g"), put.g, 0, MOST_G, "g", above=True)
        if (put.ingredient is None) == (put.position is None):
            raise BadInput(("put_in", number), "names no ingredient or two", "a key or a line", "missing")
        if put.ingredient is not None:
            find(put.ingredient)
        if put.position is not None:
            _check_place("position", put.position, lines)


def _check_place(name: str, value: int, count: int) -> None:
    if not 0 <= value < count:
        raise BadInput((name,), f"{value}", f"0 to {count - 1}", "out-of-range")
