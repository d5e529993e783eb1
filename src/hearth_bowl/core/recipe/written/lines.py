"""Lines: one line of a written recipe to an amount, a unit and an ingredient, with its doubts.

Numbers with no source beside them are judgements, or limits of the reckoning.
"""

import re
from dataclasses import dataclass
from typing import Final

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.ingredients.library import LIBRARY
from hearth_bowl.core.ingredients.packs import usual_pack_g
from hearth_bowl.core.recipe.typed_amount import NUMBER, UNIT_WORDS, VULGAR_FRACTIONS, number_of
from hearth_bowl.core.recipe.written.names import name_ingredient

COUNT_WORDS: Final = {
    "a": 1.0,
    "an": 1.0,
    "one": 1.0,
    "two": 2.0,
    "three": 3.0,
    "four": 4.0,
    "half": 0.5,
    "half a": 0.5,
}
CASED_UNITS: Final = {"T": "tbsp", "Tb": "tbsp", "Tbs": "tbsp", "Tbsp": "tbsp", "t": "tsp", "C": "cup", "c": "cup"}
_UNITS: Final = sorted(
    {*UNIT_WORDS, *(word.lower() for word in CASED_UNITS), "egg", "block", "packet", "pack"}, key=len
)
_UNIT: Final = "|".join(re.escape(word) for word in reversed(_UNITS))
_AMOUNT: Final = re.compile(
    rf"^(?:about |approx\.? |around |scant |heaped |heaping |level |a good )*"
    rf"(?P<low>{NUMBER}|half an?|an?|one|two|three|four)\s*"
    rf"(?:(?:-|–|—|to|or)\s*(?P<high>{NUMBER})\s*)?"
    rf"(?:x\s*)?(?P<unit>(?:{_UNIT})\b\.?)?\s*(?:of\s+)?(?P<rest>.*)$",
    re.IGNORECASE,
)
_PACK: Final = re.compile(
    rf"(?P<size>{NUMBER})\s*-?(?P<unit>kg|g|grams?|ml|oz|ounces?)\s*(?:\)|-)?\s*(?P<pack>tins?|cans?|bars?|blocks?|packs?|packets?|cartons?|tubs?|tubes?)",
    re.IGNORECASE,
)
_COUNTED_PACKS: Final = re.compile(
    rf"^(?P<count>{NUMBER}|an?|one|two|three|four)\s*(?P<pack>tins?|cans?|bars?|blocks?|packs?|packets?|cartons?|tubs?|tubes?)"
    rf"\s*(?:of|x|at|,)\s*(?P<size>{NUMBER})\s*(?P<unit>kg|g|grams?|ml|oz|ounces?)\b",
    re.IGNORECASE,
)
_GRAMS: Final = re.compile(rf"(?P<grams>{NUMBER})\s*(?P<unit>kg|g|grams?|gr)\b", re.IGNORECASE)
_BULLET: Final = re.compile(r"^[\s\-*•·▢☐□–—]+|^\d+[.)]\s+(?=[A-Za-z])")
_TO_TASTE: Final = re.compile(
    r"\b(to taste|as needed|optional|for rolling|for dusting|for coating|to decorate|to serve)\b"
)
LONGEST_LINE: Final = 300
"""No line of a list is longer: a judgement."""
LIQUID_WATER_PCT: Final = 25.0
COUNTED_WORDS: Final = {"egg": "piece", "block": "bar", "packet": "bar", "pack": "bar"}
SPOONFUL_SLIP_G: Final = {
    "salt": 8.0,
    "lecithin": 6.0,
    "vanilla_extract": 16.0,
    "spice_ground": 6.0,
    "coffee_instant": 20.0,
}
"""More than this of it in one line is more likely a tablespoon for a teaspoon."""


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


def read_line(text: str, measure: str) -> WrittenLine:
    """Return one line of an ingredient list.

    A weight in grams beside another amount wins, for grams are what the maths uses.

    >>> line = read_line("1 1/4 cups (300 ml) double cream", "us")
    >>> line.key, line.amount, line.unit
    ('cream48', 1.25, 'cup')
    """
    plain = _plain(text)
    named = name_ingredient(plain)
    doubts = [named.doubt] if named.doubt else []
    if named.key is None:
        return _line(None, doubts, left_out=True)
    counted = _COUNTED_PACKS.match(plain)
    if counted is not None:
        return _packs(counted["count"], counted, named.key, doubts)
    pack = _PACK.search(plain)
    if pack is not None:
        return _packs(plain[: pack.start()].strip(" (x"), pack, named.key, doubts)
    match = _AMOUNT.match(plain)
    grams = _GRAMS.search(plain)
    if grams is not None and (match is None or not _is_mass(match["unit"])):
        factor = 1000.0 if grams["unit"].lower() == "kg" else 1.0
        return _line(named.key, doubts, amount=number_of(grams["grams"]) * factor)
    if match is None:
        return _unstated(plain, named.key, doubts)
    return _measured(match, plain, named.key, measure, doubts)


def _plain(text: str) -> str:
    plain = text.replace("\u00a0", " ").replace("×", "x").replace("⁄", "/")
    for sign, fraction in VULGAR_FRACTIONS.items():
        plain = re.sub(rf"(?<=\d){sign}", f" {fraction}", plain).replace(sign, fraction)
    return " ".join(_BULLET.sub("", plain).split())


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


def _packs(count: str, pack: re.Match[str], key: str, doubts: list[str]) -> WrittenLine:
    size, unit = number_of(pack["size"]), pack["unit"].lower()
    density = LIBRARY[key].density_g_per_ml
    size_g = size * {"k": 1000.0, "m": density, "o": 28.349523125}.get(unit[0], 1.0)
    counted = COUNT_WORDS.get(count.lower())
    if counted is None:
        counted = number_of(count) if re.fullmatch(NUMBER, count) else 1.0
    kind = "bar" if pack["pack"].lower().startswith(("bar", "block")) else "tin"
    return _line(key, doubts, amount=counted, unit=kind, pack_g=size_g)


def _is_mass(unit: str | None) -> bool:
    return unit is not None and UNIT_WORDS.get(unit.lower().rstrip(".")) in ("g", "kg", "mg")


def _unstated(plain: str, key: str, doubts: list[str]) -> WrittenLine:
    pinch = re.match(r"^(?:small |good |large )?(pinch|dash)\b", plain, re.IGNORECASE)
    if pinch is not None:
        return _line(key, doubts, amount=1.0, unit="pinch")
    whole = re.match(
        r"^(?:finely )?(?:grated )?(zest|rind|juice) of (?P<count>an?|one|two|\d+|half)", plain, re.IGNORECASE
    )
    if whole is not None and key == "citrus_zest":
        counted = COUNT_WORDS.get(whole["count"].lower()) or float(whole["count"])
        doubts.append("the zest of one fruit is taken as 6 g")
        return _line(key, doubts, amount=counted, unit="piece", piece_g=usual_pack_g(key, "other", "piece", "metric"))
    reason = "no amount is stated"
    if _TO_TASTE.search(plain.lower()):
        reason += " (to taste)"
    return _line(key, [*doubts, reason])


def _measured(match: re.Match[str], plain: str, key: str, measure: str, doubts: list[str]) -> WrittenLine:
    low_text = match["low"].lower()
    low = COUNT_WORDS.get(low_text) or COUNT_WORDS.get(low_text.rsplit(" ", 1)[0])
    if low is None:
        low = number_of(low_text)
    high = number_of(match["high"]) if match["high"] else None
    if high is not None and high < low:
        high = None
    word = (match["unit"] or "").rstrip(".")
    unit = _unit(word, doubts)
    ingredient = LIBRARY[key]
    if unit is None:
        unit = "piece" if usual_pack_g(key, ingredient.kind, "piece", measure) else "g"
        if unit == "g":
            return _line(key, [*doubts, "the unit is not stated"])
    if unit == "oz" and _is_poured(key):
        doubts.append("oz: weight or fluid?")
    pack_g = piece_g = None
    if unit in ("tin", "bar"):
        pack_g = usual_pack_g(key, ingredient.kind, unit, measure)
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
    return UNIT_WORDS.get(word.lower()) or COUNTED_WORDS.get(word.lower()) or CASED_UNITS.get(word.capitalize())


def _is_poured(key: str) -> bool:
    ingredient = LIBRARY[key]
    wet = ingredient.composition_pct["water"] + ingredient.composition_pct["ethanol"]
    poured = ingredient.kind in ("cream", "condensed-milk", "other", "fruit") and not ingredient.density_is_bulk
    syrup = key in ("honey", "maple_syrup", "golden_syrup", "corn_syrup_light", "sunflower_oil")
    return (
        poured and (wet >= LIQUID_WATER_PCT or syrup) and key not in ("cream_cheese", "mascarpone", "condensed_sweet")
    )


def checked_line(text: str, measure: str) -> WrittenLine:
    """Return `read_line`, or a line left out with its reason where the text holds no amount that can be."""
    if len(text) > LONGEST_LINE:
        return _line(None, [f"longer than {LONGEST_LINE} characters: left out"], left_out=True)
    try:
        return read_line(text, measure)
    except (BadInput, ValueError) as problem:
        reason = problem.message if isinstance(problem, BadInput) else "not readable"
        return _line(None, [f"{reason}: left out"], left_out=True)
