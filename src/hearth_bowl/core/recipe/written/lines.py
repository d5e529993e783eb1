"""Lines: one line of a written recipe to an amount, a unit and an ingredient, with its doubts."""

import re
from collections.abc import Sequence
from dataclasses import dataclass, replace
from functools import lru_cache
from math import log
from typing import Final

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.ingredients.attributes import is_spooned, is_syrup
from hearth_bowl.core.ingredients.doses import JUICE_G, SMALL_TIN_G, SPOONFUL_SLIP_G
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.ingredients.library import LIBRARY
from hearth_bowl.core.ingredients.packs import usual_pack_g
from hearth_bowl.core.recipe.measures import MASS_UNITS_G, MEASURES_ML, unit_g
from hearth_bowl.core.recipe.typed_amount import NUMBER, POUNDS_AND_OUNCES, TENTHS_ML, UNIT_WORDS, number_of, ounces_of
from hearth_bowl.core.recipe.written.agreement import other_amount
from hearth_bowl.core.recipe.written.amount_words import (
    BY_EYE_G,
    CASED_UNITS,
    COUNT_WORDS,
    COUNTED_WORDS,
    FOREIGN_MASS_G,
    FOREIGN_UNITS,
    MEASURES_IN_PINTS,
)
from hearth_bowl.core.recipe.written.made_bases import ALREADY_MADE, made_base
from hearth_bowl.core.recipe.written.names import name_ingredient
from hearth_bowl.core.recipe.written.rewording import amount_first, in_figures, plain_words, without_thousands
from hearth_bowl.core.recipe.written.shapes import (
    AMOUNT,
    COUNTS,
    GRAMS,
    MILLILITRES,
    PACKS,
    SIZE_UNIT,
    UNIT,
    number_of_counted,
)

_TIMES: Final = re.compile(
    rf"^(?P<count>{NUMBER})\s*x\s*(?P<size>{NUMBER})\s*(?P<unit>{SIZE_UNIT})(?![a-zà-ÿ])", re.IGNORECASE
)
_TIMES_AFTER: Final = re.compile(r"\s(?:x|times)\s?(\d{1,2})$", re.IGNORECASE)
"""How many, at the end of a line that begins with how much."""
_PARTS: Final = re.compile(rf"^{NUMBER}\s*(?:parts?|teile?|parties?|parti|partes?)(?![a-z])", re.IGNORECASE)
_EYES: Final = "|".join(re.escape(words) for words in sorted(BY_EYE_G, key=len, reverse=True) if words != "walnut")
_BY_EYE: Final = re.compile(rf"\b(walnut(?= of|-sized)|{_EYES})s?\b|size of a (walnut)", re.IGNORECASE)
_SEEDS_OF: Final = re.compile(r"^(?:scraped )?(?:seeds|mark|graines|semi)\s+(?:of|from|de|d'|di)?\s*", re.IGNORECASE)
_PACK: Final = re.compile(
    rf"(?P<size>{NUMBER})\s*-?(?P<unit>{SIZE_UNIT})\.?\s*(?:\)|-)?\s*(?:small |large )?"
    rf"(?P<pack>{PACKS})(?![a-zà-ÿ])",
    re.IGNORECASE,
)
_COUNTED_PACKS: Final = re.compile(
    rf"^(?P<count>{NUMBER}|{COUNTS})\s*(?:small\s+|large\s+)?(?P<pack>{PACKS})(?P<named>[^(0-9]{{0,60}}?)"
    rf"\s*(?:of|x|at|à|,|\()\s*(?:each\s+|about\s+|je\s+|de\s+|da\s+)?(?P<size>{NUMBER})\s*"
    rf"(?P<unit>{SIZE_UNIT})"
    rf"(?![a-zà-ÿ])",
    re.IGNORECASE,
)
_SUMMED: Final = re.compile(
    rf"^(?P<kg>{NUMBER})\s*kg\s*(?:and\s+)?(?P<g>{NUMBER})\s*(?:g|grams?)(?![a-z])", re.IGNORECASE
)
_OUNCES_BESIDE: Final = re.compile(
    rf"\((?:about |approx\.? )?(?P<much>{NUMBER})\s*(?P<unit>oz|ounces?|lbs?|pounds?)\.?\)", re.I
)
_TO_TASTE: Final = re.compile(
    r"\b(to taste|as needed|optional|for rolling|for dusting|for coating|to decorate|to serve)\b"
)
_SMALL: Final = re.compile(r"\bsmall (?:tin|can)\b", re.IGNORECASE)
SAID_TOO: Final = " is said too: which is meant?"
UNSAID: Final = "no amount is stated"
LONGEST_LINE: Final = 300
"""No line of a list is longer: a judgement."""
MOST_REMEMBERED: Final = 2000
"""Lines whose reading is remembered: taking a card apart asks for each more than once. A limit of the reckoning.
A limit, by definition."""
LIQUID_WATER_PCT: Final = 25.0
"""Water and alcohol from which an ingredient is poured by ml: a judgement."""
OIL_PCT: Final = 99.0
"""Fat of an oil, which is poured: food tables."""
USUAL_BAR_G: Final = 100.0
"""A usual bar or packet. A judgement."""
MADE_LIKE: Final = "dulce_de_leche"
"""What a made mix is spooned and counted like. A judgement."""
FLUID_OUNCE_ML: Final = MEASURES_ML["us"]["floz"]
"""What a fluid ounce on a pack is taken as: the US one, as prints that state it are."""


@dataclass(frozen=True, slots=True, kw_only=True)
class WrittenLine:
    """One line: the ingredient's key, its amount (None: not stated), and why it is unsure, if it is."""

    key: str | None
    amount: float | None
    amount_high: float | None
    unit: str
    pack_g: float | None
    piece_g: float | None
    doubts: tuple[str, ...]
    left_out: bool = False
    own: Ingredient | None = None
    """A mix that is made already, which the library has not."""
    proposed: bool = False
    """Whether the amount is a suggestion: a share of something that is not given."""

    @property
    def ingredient(self) -> Ingredient | None:
        """Return what it is of; None where it was not understood."""
        return self.own or (None if self.key is None else LIBRARY[self.key])


_PLUS: Final = re.compile(
    rf"^(?P<a>{NUMBER})\s*(?P<ua>{UNIT})(?![a-zà-ÿ])\.?\s*(?:plus|\+|and|&)\s*(?P<b>{NUMBER})\s*"
    rf"(?P<ub>{UNIT})(?![a-zà-ÿ])",
    re.IGNORECASE,
)
_MORE: Final = re.compile(
    rf"(?:\bplus\b|\+|\bextra\b)\s*(?:about\s+|a\s+)?(?:{NUMBER}|\bsome\b|\bmore\b|\bextra\b|\bfor\b)", re.IGNORECASE
)


def read_line(text: str, measure: str) -> WrittenLine:
    """Return one line of an ingredient list.

    A weight in grams beside another amount wins, for grams are what the maths uses.

    >>> line = read_line("1 1/4 cups (300 ml) double cream", "us")
    >>> line.key, line.amount, line.unit
    ('cream48', 1.25, 'cup')
    """
    plain = plain_words(text)
    own = made_base(plain)
    if own is not None:
        grams = read_as(re.sub(r"\([^)]*\)", " ", plain), MADE_LIKE, measure)
        return replace(grams, key=None, own=own, doubts=(*grams.doubts, ALREADY_MADE))
    named = name_ingredient(without_thousands(plain))
    doubts = [named.doubt] if named.doubt else []
    if named.key is None:
        return _line(None, doubts, left_out=True)
    return _with_the_other_amount(read_as(plain, named.key, measure, doubts), plain, measure)


def _with_the_other_amount(read: WrittenLine, plain: str, measure: str) -> WrittenLine:
    """Return a line with the doubt that it states another amount besides, if it does."""
    if read.key is None or read.amount is None:
        return read
    if read.amount == 0:
        return replace(read, doubts=(*read.doubts, "an amount of nothing"))
    each_g = unit_g(LIBRARY[read.key], read.unit, measure, read.pack_g, read.piece_g)
    grams = tuple(amount * each_g for amount in (read.amount, read.amount_high) if amount is not None)
    other = other_amount(without_thousands(plain), LIBRARY[read.key], measure, grams, read.amount)
    return read if other is None else replace(read, doubts=(*read.doubts, other + SAID_TOO))


def read_as(text: str, key: str, measure: str, doubts: Sequence[str] = ()) -> WrittenLine:
    """Return one line of an ingredient list whose ingredient is known: its amount, and what is doubtful besides."""
    plain, doubts = plain_words(text), list(doubts)
    plain = amount_first(plain, doubts)
    times = _TIMES_AFTER.search(plain)
    if times is not None and AMOUNT.match(plain):
        once = read_as(plain[: times.start()], key, measure, doubts)
        return once if once.amount is None else replace(once, amount=once.amount * int(times[1]), amount_high=None)
    plain = in_figures(plain, doubts)
    if _PARTS.match(plain):
        return _line(key, [*doubts, "parts of an unknown whole: type an amount"])
    plus = _PLUS.match(plain)
    if plus is not None:
        return _summed(plus, key, measure, doubts)
    if _MORE.search(plain):
        doubts.append("more of it is said: the first amount is taken")
    return _packed(plain, key, doubts) or _stated(plain, key, measure, doubts)


def _summed(plus: re.Match[str], key: str, measure: str, doubts: list[str]) -> WrittenLine:
    """Return a line that adds two amounts: 3/4 cup plus 2 tbsp. What it comes to is in grams."""
    grams = 0.0
    for number, unit in ((plus["a"], plus["ua"]), (plus["b"], plus["ub"])):
        known = _unit(unit.rstrip("."), doubts)
        if known is None:
            return _line(key, [*doubts, f"{unit} is not a measure known here"])
        grams += number_of(number) * unit_g(LIBRARY[key], known, measure)
    return _line(key, doubts, amount=grams)


def _packed(plain: str, key: str, doubts: list[str]) -> WrittenLine | None:
    """Return a line that counts packs of a stated size, or a number of times a mass; None where it does not."""
    times = _TIMES.match(plain)
    pack = _PACK.search(plain)
    if times is not None and (pack is None or pack.start() > times.end()):
        return _packs(times["count"], times, key, doubts, "tin")
    counted = _COUNTED_PACKS.match(plain)
    if counted is not None:
        return _packs(counted["count"], counted, key, doubts)
    if pack is not None:
        return _packs(plain[: pack.start()].strip(" (x-"), pack, key, doubts)
    pounds = POUNDS_AND_OUNCES.match(plain)
    if pounds is not None:
        return _line(key, doubts, amount=ounces_of(pounds) * MASS_UNITS_G["oz"])
    return None


def _stated(plain: str, key: str, measure: str, doubts: list[str]) -> WrittenLine:
    pods = _SEEDS_OF.match(plain) if key == "vanilla_pod" else None
    match = AMOUNT.match(plain if pods is None else plain[pods.end() :])
    summed = _SUMMED.match(plain)
    if summed is not None:
        return _line(key, doubts, amount=1000 * number_of(summed["kg"]) + number_of(summed["g"]))
    grams = GRAMS.search(plain)
    if grams is not None and (match is None or not _is_mass(match["unit"])):
        factor = 1000.0 if grams["unit"].lower() in ("kg", "kilo", "kilos") else 1.0
        if (
            match is not None
            and match["unit"] is None
            and number_of_counted(match["low"]) > 1
            and "each" in plain.lower()
        ):
            return _line(key, doubts, amount=number_of_counted(match["low"]) * number_of(grams["grams"]) * factor)
        return _line(key, doubts, amount=number_of(grams["grams"]) * factor)
    beside = _OUNCES_BESIDE.search(plain)
    if beside is not None and match is not None and _unit(match["unit"] or "", []) == "cup" and not _is_poured(key):
        return _line(key, doubts, amount=number_of(beside["much"]), unit=UNIT_WORDS[beside["unit"].lower()])
    poured = MILLILITRES.search(plain)
    if poured is not None and (match is None or _unit(match["unit"] or "", []) in (None, "tin", "bar", "piece")):
        millilitres = number_of(poured["much"]) * TENTHS_ML.get(poured["unit"].lower(), 1.0)
        counted = number_of_counted(match["low"]) if match is not None and poured.start() > match.end("low") else 1.0
        return _line(key, doubts, amount=counted * millilitres, unit="ml")
    by_eye = _BY_EYE.search(plain)
    if by_eye is not None and not (match is not None and match["unit"]):
        grams_each, said = BY_EYE_G[(by_eye[1] or by_eye[2]).lower()]
        count = number_of_counted(match["low"]) if match is not None and by_eye[1] else 1.0
        return _line(key, [*doubts, said], amount=count * grams_each)
    if match is None or (key in JUICE_G and "juice of" in plain.lower()):
        return _unstated(plain, key, doubts)
    return _measured(match, plain, key, measure, doubts)


def _line(
    key: str | None,
    doubts: list[str],
    *,
    amount: float | None = None,
    amount_high: float | None = None,
    unit: str = "g",
    pack_g: float | None = None,
    piece_g: float | None = None,
    left_out: bool = False,
) -> WrittenLine:
    return WrittenLine(
        key=key,
        amount=amount,
        amount_high=amount_high,
        unit=unit,
        pack_g=pack_g,
        piece_g=piece_g,
        doubts=tuple(doubts),
        left_out=left_out,
    )


def _packs(count: str, pack: re.Match[str], key: str, doubts: list[str], kind: str | None = None) -> WrittenLine:
    size, unit = number_of(pack["size"]), pack["unit"].lower()
    density = LIBRARY[key].density_g_per_ml
    of_unit = {"k": 1000.0, "m": density, "c": 10 * density, "d": 100 * density, "f": FLUID_OUNCE_ML * density,
               "o": MASS_UNITS_G["oz"]}  # fmt: skip
    size_g = size * of_unit.get(unit[0], 1.0)
    counted = COUNT_WORDS.get(" ".join(count.lower().split()))
    if counted is None:
        figures = re.match(rf"^{NUMBER}(?=$|[\s(x-])", count)
        counted = number_of(figures[0]) if figures else 1.0
    size_g = _each_pack_g(size_g, counted, key, pack.string, doubts)
    kind = kind or ("bar" if pack["pack"].lower().startswith(("bar", "block", "tab", "taf")) else "tin")
    return _line(key, doubts, amount=counted, unit=kind, pack_g=size_g)


def _each_pack_g(size_g: float, counted: float, key: str, said: str, doubts: list[str]) -> float:
    """Return what one pack weighs where a size stands in brackets behind several: it may be of one or of all.

    The nearer to a usual pack is taken, and the other is said.
    """
    if counted <= 1 or "(" not in said or re.search(r"each|je\b|\bx\b|chac|cad", said, re.IGNORECASE):
        return size_g
    usual = usual_pack_g(key, LIBRARY[key].kind, "tin", "metric") or USUAL_BAR_G
    of_all = abs(log(size_g / counted / usual)) < abs(log(size_g / usual))
    doubts.append(f"{size_g:g} g is taken as what {'all of them weigh' if of_all else 'each weighs'}")
    return size_g / counted if of_all else size_g


def _is_mass(unit: str | None) -> bool:
    return unit is not None and UNIT_WORDS.get(unit.lower().rstrip(".")) in ("g", "kg", "mg")


def _unstated(plain: str, key: str, doubts: list[str]) -> WrittenLine:
    pinch = re.match(r"^(?:small |good |large )?(pinch|dash)\b", plain, re.IGNORECASE)
    if pinch is not None:
        return _line(key, doubts, amount=1.0, unit="pinch")
    whole = re.search(
        r"(?P<what>zest|rind|juice)(?: and (?P<also>zest|juice|rind))? of "
        rf"(?P<count>{NUMBER}|half an?|half|an?|one|two|three)(?![a-z])",
        plain,
        re.IGNORECASE,
    )
    if whole is not None and (key == "citrus_zest" or key in JUICE_G):
        counted = number_of_counted(whole["count"])
        if whole["also"]:
            doubts.append(f"its {'juice' if key == 'citrus_zest' else 'zest'} too: a line of its own")
        if key in JUICE_G:
            each_g = JUICE_G[key]
            return _line(key, [*doubts, f"the juice of one is taken as {each_g:g} g"], amount=counted * each_g)
        doubts.append("the zest of one fruit is taken as 6 g")
        return _line(key, doubts, amount=counted, unit="piece", piece_g=usual_pack_g(key, "other", "piece", "metric"))
    reason = UNSAID
    if _TO_TASTE.search(plain.lower()):
        reason += " (to taste)"
    return _line(key, [*doubts, reason])


def _measured(match: re.Match[str], plain: str, key: str, measure: str, doubts: list[str]) -> WrittenLine:
    low = number_of_counted(match["low"])
    high = number_of(match["high"]) if match["high"] else None
    if high is not None and high < low:
        high = None
    word = (match["unit"] or "").rstrip(".")
    ingredient = LIBRARY[key]
    if word.lower() in TENTHS_ML:
        times = TENTHS_ML[word.lower()]
        return _line(key, doubts, amount=low * times, amount_high=None if high is None else high * times, unit="ml")
    if word.lower() in MEASURES_IN_PINTS:
        times = MEASURES_IN_PINTS[word.lower()]
        return _line(key, doubts, amount=low * times, amount_high=None if high is None else high * times, unit="pint")
    if word.lower() in FOREIGN_MASS_G:
        times = FOREIGN_MASS_G[word.lower()]
        return _line(key, doubts, amount=low * times, amount_high=None if high is None else high * times)
    if FOREIGN_UNITS.get(word.lower()) == "":
        return _line(key, [*doubts, f"{word} is not a measure known here"])
    unit = _unit(word, doubts)
    if unit is None:
        unit = "piece" if usual_pack_g(key, ingredient.kind, "piece", measure) else "g"
        if unit == "g":
            return _line(key, [*doubts, "the unit is not stated"])
    if unit == "oz" and _is_poured(key):
        doubts.append("oz: weight or fluid?")
    pack_g = piece_g = None
    if unit in ("tin", "bar"):
        pack_g = usual_pack_g(key, ingredient.kind, unit, measure)
        if pack_g and _SMALL.search(plain):
            pack_g = SMALL_TIN_G.get(key, pack_g)
        doubts.append(f"a {unit} is taken as {pack_g:g} g" if pack_g else f"how much the {unit} weighs is not stated")
        if pack_g is None:
            return _line(key, doubts)
    if unit == "piece":
        piece_g = usual_pack_g(key, ingredient.kind, "piece", measure)
        if piece_g is None:
            return _line(key, [*doubts, "how much one weighs is not stated"])
        doubts.append(f"one is taken as {piece_g:g} g")
    if unit == "stick" and ingredient.kind != "butter":
        return _line(key, [*doubts, "a stick is a measure of butter only"])
    if unit == "tbsp" and key in SPOONFUL_SLIP_G and low * 15 * ingredient.spoon_g_per_ml > SPOONFUL_SLIP_G[key]:
        doubts.append(f"{low:g} tbsp is a lot of it: was it a teaspoon?")
    return _line(key, doubts, amount=low, amount_high=high, unit=unit, pack_g=pack_g, piece_g=piece_g)


def _unit(word: str, doubts: list[str]) -> str | None:
    if not word:
        return None
    if word in CASED_UNITS:
        unit = CASED_UNITS[word]
        if len(word) == 1 and unit != "cup":
            doubts.append(f"{word}: taken as a {'table' if unit == 'tbsp' else 'tea'}spoon; they differ threefold")
        return unit
    low = word.lower()
    return UNIT_WORDS.get(low) or COUNTED_WORDS.get(low) or FOREIGN_UNITS.get(low) or CASED_UNITS.get(word.capitalize())


def _is_poured(key: str) -> bool:
    ingredient = LIBRARY[key]
    wet = ingredient.composition_pct["water"] + ingredient.composition_pct["ethanol"]
    poured = ingredient.kind in ("cream", "condensed-milk", "other", "fruit") and not ingredient.density_is_bulk
    syrup = is_syrup(ingredient.composition_pct) or ingredient.composition_pct["other_fat"] >= OIL_PCT
    return poured and (wet >= LIQUID_WATER_PCT or syrup) and not is_spooned(ingredient, ingredient.composition_pct)


@lru_cache(maxsize=MOST_REMEMBERED)
def checked_line(text: str, measure: str) -> WrittenLine:
    """Return `read_line`, or a line left out with its reason where the text holds no amount that can be."""
    if len(text) > LONGEST_LINE:
        return _line(None, [f"longer than {LONGEST_LINE} characters: left out"], left_out=True)
    try:
        return read_line(text, measure)
    except (BadInput, ValueError) as problem:
        reason = problem.message if isinstance(problem, BadInput) else "not readable"
        return _line(None, [f"{reason}: left out"], left_out=True)
