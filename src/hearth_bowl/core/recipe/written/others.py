"""Other readings: what else a line of a written recipe may mean, so that a cook settles a doubt with one press.

Every doubt that has another side gives one: weight or fluid ounces, a table or a tea spoon, the low or the high end, a
level or a heaped spoon, thousands or a decimal comma, the other of two alternatives, a name that is near.
"""

import re
from collections.abc import Iterator
from dataclasses import dataclass, replace
from typing import Final

from hearth_bowl.core.ingredients.library import LIBRARY
from hearth_bowl.core.recipe.typed_amount import NUMBER, number_of
from hearth_bowl.core.recipe.written.lines import SAID_TOO, WrittenLine, checked_line, read_as
from hearth_bowl.core.recipe.written.names import ALTERNATIVE, BY_PERCENT, FAMILY_OF, name_ingredient, near_names
from hearth_bowl.core.recipe.written.rewording import THOUSANDS, plain_words

MOST_NAMES: Final = 3  # a judgement
HEAPED: Final = 1.5
"""A heaped spoon holds half as much again as a level one: a judgement."""
SCANT: Final = 0.9  # a judgement
CHOCOLATES: Final = ("dark70", "milk33", "white28", "compound_dark")
"""What is offered where it is not given which chocolate is meant."""
BESIDE_AMOUNT: Final = re.compile(rf"^(?:{NUMBER}|[^\wà-ÿ])+")


@dataclass(frozen=True, slots=True, kw_only=True)
class OtherReading:
    """Another reading of a line: how it is said, and the line as it would be."""

    says: str
    line: WrittenLine


def other_readings(text: str, measure: str, taken: WrittenLine) -> tuple[OtherReading, ...]:
    """Return what else a line may mean besides the reading `taken`; none where nothing is in doubt."""
    if not taken.doubts:
        return ()
    found = [*_said_too(measure, taken), *_amounts(text, taken), *_names(text, measure, taken)]
    by_words = {other.says: replace(other, line=replace(other.line, doubts=())) for other in found}
    return tuple(by_words.values())


def _said_too(measure: str, taken: WrittenLine) -> Iterator[OtherReading]:
    """Yield the amount that a line states besides the one that was taken."""
    for doubt in taken.doubts:
        words, is_one, _ = doubt.partition(SAID_TOO)
        if is_one and taken.key is not None:
            yield OtherReading(says=words, line=read_as(words, taken.key, measure))


def _amounts(text: str, taken: WrittenLine) -> Iterator[OtherReading]:
    """Yield the other amounts that the same words may mean."""
    if taken.key is None or taken.amount is None:
        return
    plain = plain_words(text).lower()
    if taken.unit == "oz" and any("weight or fluid" in doubt for doubt in taken.doubts):
        yield OtherReading(says="fluid ounces", line=replace(taken, unit="floz"))
    if taken.unit in ("tbsp", "tsp") and _may_be_the_other_spoon(taken):
        other = "tsp" if taken.unit == "tbsp" else "tbsp"
        says = f"{taken.amount:g} {'tea' if other == 'tsp' else 'table'}spoon{'' if taken.amount == 1 else 's'}"
        yield OtherReading(says=says, line=replace(taken, unit=other))
    if "taken as level" in " ".join(taken.doubts):
        is_less = "scant" in plain
        times, says = (SCANT, "a tenth less, as it is said") if is_less else (HEAPED, "half as much again, heaped")
        high = None if taken.amount_high is None else taken.amount_high * times
        yield OtherReading(says=says, line=replace(taken, amount=taken.amount * times, amount_high=high))
    thousands = THOUSANDS.search(plain)
    if thousands is not None:
        small = number_of(f"{thousands[1]}.{thousands[2]}")
        yield OtherReading(says=f"{small:g}, with a decimal comma", line=replace(taken, amount=small))


def _may_be_the_other_spoon(taken: WrittenLine) -> bool:
    return any("spoon" in doubt for doubt in taken.doubts)


def _names(text: str, measure: str, taken: WrittenLine) -> Iterator[OtherReading]:
    """Yield the same amount of what else the words may name: the other alternative, or a name that is near."""
    plain = plain_words(text)
    parts = [part for part in ALTERNATIVE.split(plain) if part.strip()]
    for part in parts if len(parts) > 1 else ():
        key = name_ingredient(part).key
        if key is not None and key != taken.key:
            own = read_as(part, key, measure)
            line = own if own.amount is not None else read_as(plain, key, measure)
            yield OtherReading(says=LIBRARY[key].name, line=line)
    if name_ingredient(plain).doubt is None:
        return
    for key in _usual(taken) or near_names(BESIDE_AMOUNT.sub("", plain), MOST_NAMES + 1):
        if key != taken.key:
            yield OtherReading(says=LIBRARY[key].name, line=read_as(text, key, measure))


def _usual(taken: WrittenLine) -> tuple[str, ...]:
    """Return the usual kinds of what a line names without saying which, or with a figure that is not in the table."""
    kind = FAMILY_OF.get(taken.key or "")
    if kind is None:
        return ()
    if any(doubt.startswith("which chocolate") for doubt in taken.doubts):
        return CHOCOLATES
    return tuple(key for _, key in BY_PERCENT[kind] if key != taken.key)[-MOST_NAMES:]


def settled(text: str, measure: str) -> tuple[WrittenLine, tuple[OtherReading, ...]]:
    """Return how a line is read, and what else it may mean."""
    taken = checked_line(text, measure)
    return taken, other_readings(text, measure, taken)
