"""Method steps: what a card tells to do, one thing after another, with its temperature, time and ingredients.

A sentence that tells two things is two steps. The words stay as they were written.
"""

import itertools
import re
from collections.abc import Iterator, Sequence
from dataclasses import replace
from functools import lru_cache
from typing import Final

from hearth_bowl.core.ingredients.doses import stand_in_of
from hearth_bowl.core.ingredients.library import LIBRARY
from hearth_bowl.core.recipe.ratios import CHOCOLATE_KINDS
from hearth_bowl.core.recipe.steps import LONGEST_STEP, MOST_STEPS, Between, CardStep
from hearth_bowl.core.recipe.typed_amount import NUMBER, number_of
from hearth_bowl.core.recipe.written.names import MOST_REMEMBERED, names_in
from hearth_bowl.core.recipe.written.vocabulary.acts import (
    A_NIGHT,
    EVERYTHING,
    FOREIGN_ACTS,
    FROM_ENGLISH,
    JOINERS,
    LEAD,
    MINUTES_OF,
    PASSIVE_ACTS,
)

_NUMBERING: Final = re.compile(r"^\W*(?:step\s+)?\d{1,2}\s*[.):]\s+(?=\S)", re.IGNORECASE)
_SENTENCE_END: Final = re.compile(r"(?<=[^\d\s][.!;])\s+(?=\S)|(?<=\d[!;])\s+(?=\S)|(?<=\d\.)\s+(?=[A-ZÀ-Þ])")
_PIECES: Final = re.compile(rf"(?:,|\s[-–—])\s+(?:(?:{JOINERS})\s+)?|\s+(?:{JOINERS})\s+", re.IGNORECASE)
_RANGE: Final = rf"(?P<low>{NUMBER})\s*(?:°\s*[CF]?\s*)?(?:(?:-|–|—|to|bis|à|a|and|und|et)\s*(?P<high>{NUMBER})\s*)?"
_DEGREES: Final = re.compile(
    rf"{_RANGE}(?:(?:°|º|degrees?|deg\.?|grad|degrés?|gradi|grados|graus)\s*(?P<unit>celsius|fahrenheit|[CF]\b)?"
    r"|(?P<bare>[CF])\b)",
    re.IGNORECASE,
)
_TIME: Final = re.compile(
    rf"(?P<low>{NUMBER}|(?:\ban?|\bone|\bhalf an?|\beine?|\bune?|\buna?|\buma?)(?=\s))\s*"
    rf"(?:(?:-|–|—|to|or|bis|à|a|oder|ou|o)\s*(?P<high>{NUMBER})\s*)?(?P<unit>{'|'.join(MINUTES_OF)})(?![a-zà-ÿ])",
    re.IGNORECASE,
)
_LEAD: Final = re.compile(LEAD)
_BEGIN: Final = tuple((kind, re.compile(pattern)) for kind, pattern in (*PASSIVE_ACTS, *FROM_ENGLISH))
_ANYWHERE: Final = tuple((kind, re.compile(pattern)) for kind, pattern in FOREIGN_ACTS)
_CHOCOLATE: Final = re.compile(
    r"(?:(dark|milk|white|plain)\s+)?(?:chocolate|couverture|schokolade|kuvertüre|chocolat|cioccolato)", re.IGNORECASE
)
FAHRENHEIT_FROM: Final = 190.0
"""From so many bare degrees on no sugar is cooked in Celsius: caramel stands at 190 °C at most. A judgement."""
BOILS_FROM_C: Final = 104.0
"""From here on what is heated or cooked is a boiling syrup: handbook of this craft, sugar stages."""


def steps_of(lines: Sequence[str], keys: Sequence[str] = ()) -> tuple[CardStep, ...]:
    """Return the steps of a card's lines of method.

    :param keys: the library keys of the recipe's lines, which steps may name.

    >>> [(step.kind, step.to_c) for step in steps_of(["Boil everything to 118 °C, then pour into the tin."])]
    [('boil', 118.0), ('pour', None)]
    """
    found: list[CardStep] = []
    for line in lines:
        for words in _things_done(_NUMBERING.sub("", line.strip())):
            found.append(_step(words, keys))
            if len(found) >= MOST_STEPS:
                return tuple(found)
    return tuple(found)


def naming(steps: Sequence[CardStep], keys: Sequence[str]) -> tuple[CardStep, ...]:
    """Return steps with those of the ingredients that they name which a recipe has."""
    there = frozenset(keys)
    return tuple(replace(step, ingredients=tuple(key for key in step.ingredients if key in there)) for step in steps)


def _things_done(line: str) -> Iterator[str]:
    """Give the words of each thing that a line tells to do, in order; all words of the line are in one of them."""
    for sentence in _SENTENCE_END.split(line):
        starts = [0, *(piece.end() for piece in _PIECES.finditer(sentence)), len(sentence)]
        cuts = [0]
        for start, end in itertools.pairwise(starts):
            before = sentence[cuts[-1] : start]
            if act_of(sentence[start:end]) is not None and act_of(before) is not None:
                cuts.append(start)
        cuts.append(len(sentence))
        told: list[str] = [sentence[start:end].strip() for start, end in itertools.pairwise(cuts)]
        yield from (words for words in map(_without_joiner, _one_act_each(told)) if words)


def _without_joiner(words: str) -> str:
    """Return words without the "and" that led to what is told next."""
    return re.sub(rf"(?:,?\s+(?:{JOINERS})|,)$", "", words, flags=re.IGNORECASE)


def _one_act_each(told: Sequence[str]) -> list[str]:
    """Return what is told with neighbours of one act together, unless each has a temperature of its own."""
    kept: list[str] = []
    for words in told:
        same = bool(kept) and act_of(kept[-1]) == act_of(words)
        if same and not (_temperature(kept[-1]) is not None and _temperature(words) is not None):
            kept[-1] = f"{kept[-1]} {words}"
        else:
            kept.append(words)
    return kept


@lru_cache(maxsize=MOST_REMEMBERED)
def act_of(words: str) -> str | None:
    """Return the act that words tell to do, by their verb; None where they tell none.

    >>> act_of("then leave to set for an hour")
    'set'
    """
    plain = _LEAD.sub("", words.strip().lower())
    for kind, pattern in _BEGIN:
        if pattern.match(plain):
            return _by_degrees(kind, words)
    for kind, pattern in _ANYWHERE:
        if pattern.search(plain):
            return _by_degrees(kind, words)
    return None


def _by_degrees(kind: str, words: str) -> str:
    reached = _temperature(words)
    high = reached[1] if isinstance(reached, tuple) else reached
    return "boil" if kind in ("heat", "cook", "join") and high is not None and high >= BOILS_FROM_C else kind


def _step(words: str, keys: Sequence[str]) -> CardStep:
    return CardStep(
        text=words[:LONGEST_STEP],
        kind=act_of(words),
        to_c=_temperature(words),
        minutes=_minutes(words),
        ingredients=_named(words, keys),
    )


def _temperature(words: str) -> Between:
    """Return the temperature that words aim at: the last that they tell, a range as its two ends [true °C]."""
    found = list(_DEGREES.finditer(words))
    return _celsius(found[-1]) if found else None


def _celsius(found: re.Match[str]) -> Between:
    unit = (found["unit"] or found["bare"] or "").upper()[:1]
    ends = [number_of(found[end]) for end in ("low", "high") if found[end]]
    if unit == "F" or (not unit and max(ends) >= FAHRENHEIT_FROM):
        ends = [(end - 32) / 1.8 for end in ends]
    return ends[0] if len(ends) == 1 else (min(ends), max(ends))


def _minutes(words: str) -> Between:
    found = _TIME.search(words)
    if found is None:
        return A_NIGHT[1] if re.search(A_NIGHT[0], words, re.IGNORECASE) else None
    each = next(minutes for unit, minutes in MINUTES_OF.items() if re.fullmatch(unit, found["unit"], re.IGNORECASE))
    low = found["low"].lower()
    first = 0.5 if low.startswith("half") else 1.0 if low.isalpha() else number_of(low)
    if not found["high"]:
        return first * each
    second = number_of(found["high"])
    return (min(first, second) * each, max(first, second) * each)


def _named(words: str, keys: Sequence[str]) -> tuple[str, ...]:
    """Return which of a recipe's ingredients words name, in the recipe's order."""
    if re.search(EVERYTHING, words, re.IGNORECASE):
        return tuple(dict.fromkeys(keys))
    meant, there = names_in(words), dict.fromkeys(keys)
    exact = {key for key in there if key in meant}
    groups = {_group(key) for key in exact}
    rest = {_group(key) for key in meant - exact} - groups
    colour = _chocolate_said(words)
    return tuple(key for key in there if key in exact or _group(key) in rest or _is_chocolate(key, colour))


def _chocolate_said(words: str) -> str | None:
    """Return the colour of the chocolate that words name: empty where they name none, None without chocolate."""
    said = _CHOCOLATE.search(words)
    return None if said is None else (said[1] or "").lower().replace("plain", "dark")


def _is_chocolate(key: str, colour: str | None) -> bool:
    """Return whether an ingredient is the chocolate that is named, of no colour or of this one's."""
    if colour is None or LIBRARY[key].kind not in CHOCOLATE_KINDS:
        return False
    return not colour or colour in key or colour in LIBRARY[key].name.lower()


def _group(key: str) -> str:
    ingredient = LIBRARY[key]
    if ingredient.kind in CHOCOLATE_KINDS:
        return key.rstrip("0123456789")
    return ingredient.kind if ingredient.kind in ("cream", "butter", "condensed-milk") else stand_in_of(key)
