"""The answer of `method`: the acts of a recipe or a confection, as the command line and the pages have them."""

from typing import NotRequired

from typing_extensions import TypedDict

from hearth_bowl.core.method.act import Act, Take
from hearth_bowl.core.method.cautions import ADVICE, CAUTION
from hearth_bowl.core.method.method import Method


class TakeAnswer(TypedDict):
    """Grams of an ingredient that go in; of tempered chocolate `seed_g` is kept back."""

    ingredient: str
    g: float
    seed_g: NotRequired[float]


class ActAfterAnswer(TypedDict):
    """An act that comes before, and how many minutes before."""

    id: str
    least_min: float
    most_min: float | None


class ActAnswer(TypedDict):
    """One act."""

    id: str
    kind: str
    of: list[str]
    title: str
    do: str
    cue: str
    ask: str
    why: str
    passes: str
    target_c: list[float] | None
    ceiling_c: float | None
    gate_min: float | None
    minutes: list[float]
    hands: bool
    takes: list[TakeAnswer]
    after: list[ActAfterAnswer]
    uses: dict[str, int]
    cautions: list[str]
    advice: list[str]
    out_of_cold: bool
    holds: list[str]
    from_card: bool


class DiffersAnswer(TypedDict):
    """Where card and handbook differ [°C]."""

    act: str
    card_c: float
    book_c: float
    message: str


class MethodAnswer(TypedDict):
    """The answer of `method`."""

    acts: list[ActAnswer]
    differs: list[DiffersAnswer]
    hands_min: float
    elapsed_min: float


def method_answer(method: Method) -> MethodAnswer:
    """Return the answer of `method`."""
    return {
        "acts": [act_answer(act) for act in method.acts],
        "differs": [
            {"act": one.act, "card_c": one.card_c, "book_c": one.book_c, "message": one.message}
            for one in method.differs
        ],
        "hands_min": method.hands_min,
        "elapsed_min": method.elapsed_min,
    }


def cautions_in(answer: MethodAnswer) -> dict[str, str]:
    """Return the words of every caution and advice that stands at an act, by its code."""
    codes = {code for act in answer["acts"] for code in (*act["cautions"], *act["advice"])}
    return {code: CAUTION[code] for code in sorted(codes)}


def act_answer(act: Act) -> ActAnswer:
    """Return one act as the answer has it."""
    return {
        "id": act.id,
        "kind": act.kind,
        "of": list(act.of),
        "title": act.title,
        "do": act.do,
        "cue": act.cue,
        "ask": act.ask,
        "why": act.why,
        "passes": act.passes,
        "target_c": None if act.target_c is None else list(act.target_c),
        "ceiling_c": act.ceiling_c,
        "gate_min": act.gate_min,
        "minutes": list(act.minutes),
        "hands": act.hands,
        "takes": [_take(take) for take in act.takes],
        "after": [{"id": one.id, "least_min": one.least_min, "most_min": one.most_min} for one in act.after],
        "uses": dict(act.uses),
        "cautions": [code for code in act.cautions if code not in ADVICE],
        "advice": [code for code in act.cautions if code in ADVICE],
        "out_of_cold": act.out_of_cold,
        "holds": sorted(act.holds),
        "from_card": act.from_card,
    }


def _take(take: Take) -> TakeAnswer:
    found: TakeAnswer = {"ingredient": take.ingredient.label, "g": take.g}
    if take.seed_g is not None:
        found["seed_g"] = take.seed_g
    return found
