"""The state of a run: all that happened in it, folded in one place into what every page shows."""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, field
from typing import Literal, TypeVar

from hearth_bowl.core.cooling.set_ask import SetAsk
from hearth_bowl.core.cooling.set_clock import Correction
from hearth_bowl.core.stove.events import (
    CallSeen,
    Ended,
    GateAnswered,
    Happening,
    Judgement,
    Mended,
    Noted,
    ProbeChanged,
    SetSeen,
    SetStarted,
    Spilled,
    StepBegun,
    StepDone,
    Weighed,
    Yielded,
)

T = TypeVar("T")
Answer = Literal["yes", "no", "skipped"]


@dataclass(frozen=True, slots=True, kw_only=True)
class SetState:
    """The set clock of a run: when it went in [s from the run's start], how, and what was seen since."""

    since_s: float
    ask: SetAsk
    seen: tuple[Correction, ...] = ()

    def with_seen(self, what: SetSeen) -> "SetState":
        """Return the clock after one more thing was seen; a cue without its state was of the one first asked."""
        state = what.state or self.ask.state
        row = Correction(after_s=what.after_s, state=state, now_c=what.now_c, passed=what.passed)
        return SetState(since_s=self.since_s, ask=self.ask, seen=(*self.seen, row))


@dataclass(frozen=True, slots=True, kw_only=True)
class RunState:
    """Where a run stands. Moments are seconds from its start; temperatures true °C, masses g.

    `step_done`: the open step was finished while the cook went on with another mix. `cue` and `ask` are the answers at
    the open step's gates, `calls_seen_s` its calls that were seen, by their words;
    `amounts_g` what is to go in, `weighed_g` what went in, by line.
    """

    step: int
    step_done: bool
    step_since_s: float
    step_from_c: float | None
    cue: Answer | None
    ask: Answer | None
    calls_seen_s: Mapping[str, float]
    amounts_g: tuple[float, ...]
    weighed_g: Mapping[int, float]
    probe_id: str
    set: SetState | None
    verdict: Judgement | None
    mended: tuple[Mended, ...]
    weighed_out: Yielded | None
    ended_s: float | None


@dataclass(slots=True)
class _Folding:
    step: int
    probe_id: str
    amounts_g: list[float]
    step_done: bool = False
    step_since_s: float = 0.0
    step_from_c: float | None = None
    answers: dict[tuple[str, str], Answer] = field(default_factory=dict)
    calls_seen_s: dict[str, float] = field(default_factory=dict)
    weighed_g: dict[int, float] = field(default_factory=dict)
    set: SetState | None = None
    verdict: Judgement | None = None
    mended: list[Mended] = field(default_factory=list)
    weighed_out: Yielded | None = None
    ended_s: float | None = None

    def take(self, at_s: float, what: Happening) -> None:
        match what:
            case StepBegun():
                self.step, self.step_since_s, self.step_from_c = what.step, at_s, what.c
                self.calls_seen_s, self.step_done = {}, False
            case StepDone():
                self.step_done = True
            case GateAnswered():
                self.answers[what.key, what.gate] = what.answer
            case CallSeen():
                self.calls_seen_s[what.words] = at_s
            case Weighed():
                self.weighed_g[what.position] = what.g
            case Spilled() | Noted():
                for position, grams in what.amounts_g.items():
                    self.amounts_g[position] = grams
            case SetStarted():
                self.set = SetState(since_s=at_s, ask=what.start)
            case SetSeen() if self.set is not None:
                self.set = self.set.with_seen(what)
            case ProbeChanged():
                self.probe_id = what.probe_id
            case Judgement():
                self.verdict = what
            case Mended():
                self.mended.append(what)
            case Yielded():
                self.weighed_out = what
            case Ended():
                self.ended_s = at_s


def spans_of(happened: Iterable[tuple[T, Happening]], last: T) -> list[tuple[int, T, T]]:
    """Return each step that was gone to, by its number, with the moments at which it was begun and left.

    :param last: when the step that is still open is left.
    """
    found: list[tuple[int, T, T]] = []
    open_step: tuple[int, T] | None = None
    for at, what in happened:
        if isinstance(what, StepBegun | StepDone) and open_step is not None:
            found.append((*open_step, at))
            open_step = None
        if isinstance(what, StepBegun):
            open_step = what.step, at
    return found if open_step is None else [*found, (*open_step, last)]


def run_state(
    happened: Iterable[tuple[float, Happening]], *, amounts_g: Sequence[float], keys: Sequence[str], probe_id: str
) -> RunState:
    """Return where a run stands after all that happened in it, in the order in which it happened.

    :param happened: (s from the start, what).
    :param amounts_g: what each line was to weigh when the run began [g]; `keys` are its steps' keys.
    :param probe_id: the thermometer heard at the start.
    """
    folding = _Folding(step=0, probe_id=probe_id, amounts_g=list(amounts_g))
    for at_s, what in happened:
        folding.take(at_s, what)
    key = keys[folding.step] if folding.step < len(keys) else ""
    return RunState(
        step=folding.step,
        step_done=folding.step_done,
        step_since_s=folding.step_since_s,
        step_from_c=folding.step_from_c,
        cue=folding.answers.get((key, "cue")),
        ask=folding.answers.get((key, "ask")),
        calls_seen_s=folding.calls_seen_s,
        amounts_g=tuple(folding.amounts_g),
        weighed_g=folding.weighed_g,
        probe_id=folding.probe_id,
        set=folding.set,
        verdict=folding.verdict,
        mended=tuple(folding.mended),
        weighed_out=folding.weighed_out,
        ended_s=folding.ended_s,
    )
