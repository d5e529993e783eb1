"""Questions about an ingredient of one's own: what in it could hurt someone, and what each answer says of it."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any, Final

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.ingredients.attributes import NONE, Attributes

UNKNOWN: Final = "unknown"
YES: Final = "yes"
NO: Final = "no"


@dataclass(frozen=True, slots=True, kw_only=True)
class Option:
    """One answer, and its words."""

    value: str
    words: str


@dataclass(frozen=True, slots=True, kw_only=True)
class IngredientQuestion:
    """A question about an ingredient, with its answers; the last is that nobody knows."""

    key: str
    asks: str
    options: tuple[Option, ...]


def _question(key: str, asks: str, *options: tuple[str, str]) -> IngredientQuestion:
    given = options or ((NO, "no"), (YES, "yes"))
    told = tuple(Option(value=value, words=words) for value, words in (*given, (UNKNOWN, "not known")))
    return IngredientQuestion(key=key, asks=asks, options=told)


QUESTIONS: Final = (
    _question(
        "egg",
        "Egg in it",
        (NONE, "none, or baked"),
        ("white", "raw white"),
        ("yolk", "raw yolk"),
        ("whole", "raw whole egg"),
        ("pasteurised", "pasteurised egg"),
    ),
    _question("fresh_cheese", "Fresh cheese, soured cream or yoghurt"),
    _question("fresh_fruit", "Fresh fruit, purée or juice"),
    _question("honey", "Honey in it"),
    _question("gelatine", "Gelatine in it"),
    _question("choking", "Hard, springy or small enough to choke on"),
)


def answered(answers: Mapping[str, str]) -> dict[str, Any]:
    """Return what answers say of an ingredient: attributes by name, and `not_known` for what nobody knows.

    :raises BadInput: below `answers`: a question that there is not, or an answer that it has not.
    """
    known = {question.key: question for question in QUESTIONS}
    found: dict[str, Any] = {"not_known": []}
    for key, value in answers.items():
        if key not in known:
            raise BadInput(("answers", key), "This is not asked.", ", ".join(known), "unknown")
        allowed = [option.value for option in known[key].options]
        if value not in allowed:
            raise BadInput(("answers", key), f"“{value[:40]}” is no answer.", ", ".join(allowed), "unknown")
        if value == UNKNOWN:
            found["not_known"].append("raw_egg" if key == "egg" else key)
        elif key == "egg":
            found |= {"pasteurised_egg": value == "pasteurised", "raw_egg": NONE if value == "pasteurised" else value}
        else:
            found[key] = value == YES
    return found


def hurts_words(one: Attributes) -> tuple[str, ...]:
    """Return in words what in an ingredient could hurt someone."""
    found = [f"raw egg ({one.raw_egg})" if one.raw_egg else "", "pasteurised egg" if one.pasteurised_egg else ""]
    found += [
        words
        for has, words in (
            (one.fresh_cheese, "fresh cheese"),
            (one.fresh_fruit, "fresh fruit"),
            (one.honey, "honey"),
            (one.gelatine, "gelatine"),
            (one.choking, "can be choked on"),
        )
        if has
    ]
    return tuple(words for words in found if words)
