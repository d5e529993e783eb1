"""Names: which ingredient of the library a cook's words mean, and what is doubtful about it.

The longest name that the words hold is meant; words that are left over and say what a thing is make it doubtful. What
is doubtful is said: a name is never taken for another in silence.
"""

import re
from dataclasses import dataclass
from functools import cache, lru_cache
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.ingredients.alike import near
from hearth_bowl.core.ingredients.components import SUGARS
from hearth_bowl.core.ingredients.library import LIBRARY
from hearth_bowl.core.recipe.written.amount_words import (
    BY_EYE_G,
    COUNT_WORDS,
    FOREIGN_MASS_G,
    FOREIGN_UNITS,
    MEASURES_IN_PINTS,
)
from hearth_bowl.core.recipe.written.vocabulary.beside import HARMLESS
from hearth_bowl.core.recipe.written.vocabulary.english import NAMES
from hearth_bowl.core.recipe.written.vocabulary.foreign import FOREIGN

PERCENT: Final = re.compile(r"(\d{1,3}(?:[.,]\d)?)\s*(?:%|per\s?cent\b|percent\b|pct\b)")
BY_PERCENT: Final = MappingProxyType(
    {
        "dark": ((50, "dark50"), (55, "dark55"), (60, "dark60"), (64, "dark64"), (70, "dark70"), (80, "dark80"),
                 (100, "cocoa_mass")),
        "milk": ((33, "milk33"), (38, "milk38")),
        "white": ((28, "white28"), (32, "white32")),
        "cream": ((12, "cream12"), (18, "cream18"), (24, "cream24"), (30, "cream30"), (35, "cream35"), (38, "cream38"),
                  (48, "cream48")),
        "cocoa_powder": ((11, "cocoa_powder_11"), (21, "cocoa_powder_21")),
        "liqueur": ((25, "liqueur25"), (40, "liqueur40")),
        "rum": ((40, "rum40"), (54, "rum54")),
        "milk_drunk": ((0.1, "milk_skim"), (1.5, "milk_semi"), (3.5, "milk_whole")),
    }
)  # fmt: skip
"""The library's nearest by the per cent that a name carries: cocoa of chocolate, fat of cream, strength of a drink.
By definition."""
FAMILY_OF: Final = MappingProxyType(
    {
        **{f"dark{pct}": "dark" for pct in (50, 55, 60, 64, 70, 80)}, "milk33": "milk", "milk38": "milk",
        "white28": "white", "white32": "white", "liqueur25": "liqueur", "liqueur40": "liqueur", "rum40": "rum",
        **{f"cream{pct}": "cream" for pct in (12, 18, 24, 30, 35, 38, 48)},
        "cocoa_powder_11": "cocoa_powder", "cocoa_powder_21": "cocoa_powder",
        "milk_whole": "milk_drunk", "milk_semi": "milk_drunk", "milk_skim": "milk_drunk",
    }
)  # fmt: skip
"""By definition."""
MOST_REMEMBERED: Final = 2000
"""Texts whose names are remembered. A limit, by definition."""
NOT_UNDERSTOOD: Final = "not understood: "
SHORT: Final = 3  # a limit, by definition
NEAR_PERCENT: Final = 2.0  # a judgement
SUGARED_PCT: Final = 15.0
"""From so much sugar on a thing is sweetened: what its words say of that must be so. A judgement."""
_COUNTED = r"(?:half an?|half|an?|one|two|three|four|\d{1,2}(?:[ .,]\d{1,2}){0,2})"
"""How many, where a fraction has lost its stroke."""
JUICE_OR_ZEST: Final = re.compile(rf"\bjuice of {_COUNTED} (lemon|lime|orange)s?\b")
ZEST_OF: Final = re.compile(
    rf"\b(?:juice and )?(?:grated |finely grated )?(?:zest|rind)(?: and juice)? of {_COUNTED} [a-z]{{3,12}}\b"
)
STRENGTH_OF: Final = re.compile(r"(\d\d) % vol")
FAT_OF: Final = re.compile(r"(\d+(?:\.\d)?) %")
SIZE_OF: Final = re.compile(r"\b(?:the )?size of (?:a|an|two|three) [a-z]{3,12}\b|\b[a-z]{3,12}[- ]sized\b")
PURPOSE: Final = re.compile(
    r"\bfor (?:the |your |making )?"
    r"(?:truffles?|ganache|fudge|fillings?|cent(?:re|er)s?|shells?|layers?|mix|sauce|base)\b"
)
"""Words that say what a thing is for, not what it is."""
SPOON_OF: Final = re.compile(
    r"\b(?:(?:cuill[eè]re?s?|cuillerées?|cuil|c)\.?\s*à\s*(?:soupe|café|thé|[sc])"
    r"|(?:colher(?:es)?|xícaras?|cucharad(?:it)?as?)\s+(?:\(?de\s+)?"
    r"(?:sopa|postre|sobremesa|(?:chá|café|té)(?=\)| de\b)))(?![a-zà-ÿ])"
)
"""Spoons that are named after what they stir."""
ALTERNATIVE: Final = re.compile(r"\b(?:or|oder|ou|oppure|o)\b")


@dataclass(frozen=True, slots=True, kw_only=True)
class Named:
    """The key that words mean (None: none known), and what is doubtful."""

    key: str | None
    doubt: str | None


def name_ingredient(words: str) -> Named:
    """Return the library's ingredient that a cook's words mean.

    >>> name_ingredient("70% dark chocolate, chopped").key
    'dark70'
    >>> name_ingredient("hazelnut spread").key
    'hazelnut_cocoa_spread'
    """
    plain = words.strip()
    if plain.lower() in LIBRARY:
        return Named(key=plain.lower(), doubt=None)
    exact = _by_own_name().get(plain.lower())
    if exact:
        return Named(key=exact, doubt=None)
    text = " " + re.sub(r"[^a-zà-ÿœß0-9%.,' -]", " ", words.lower().replace("’", "'")) + " "
    text = SIZE_OF.sub(" ", PURPOSE.sub(" ", SPOON_OF.sub(" ", text)))
    text = JUICE_OR_ZEST.sub(r" \1 juice ", ZEST_OF.sub(" citrus zest ", text))
    first = ALTERNATIVE.split(text)[0]
    found = _longest(first) or (None if first == text else _longest(text))
    if found is None:
        return Named(key=None, doubt="not an ingredient known here: left out")
    start, end, key, doubt = found
    if not key:
        return Named(key=None, doubt=f"{doubt}: left out")
    key, doubts = _by_percent(text, key, doubt)
    doubts += _left_over(text[:start] + " " + text[end:], key)
    return Named(key=key, doubt="; ".join(doubts) or None)


@lru_cache(maxsize=MOST_REMEMBERED)
def names_in(words: str) -> frozenset[str]:
    """Return the keys of all ingredients that words name; where one name holds another, the longer is meant.

    >>> sorted(names_in("stir the butter into the condensed milk"))
    ['butter82', 'condensed_sweet']
    """
    text = " " + re.sub(r"[^a-zà-ÿœß0-9%.,' -]", " ", words.lower().replace("’", "'")) + " "
    found: set[str] = set()
    while (best := _longest(text)) is not None:
        start, end, key, _ = best
        text = text[:start] + "|" + text[end:]
        if key:
            found.add(key)
    return frozenset(found)


def near_names(words: str, most: int = 6) -> tuple[str, ...]:
    """Return the keys that words may mean: what a cook calls them, and near misspellings, the nearest first."""
    meant = name_ingredient(words).key
    return tuple(dict.fromkeys([*([meant] if meant else []), *near(words, _synonyms(), most)]))[:most]


def _longest(text: str) -> tuple[int, int, str, str] | None:
    """Return where the longest name that the words hold stands, its key and its doubt; the first of equals."""
    best: tuple[int, int, str, str] | None = None
    patterns = _patterns()
    rows_near = _rows_near(text)
    for pattern, key, doubt in (patterns[row] for row in sorted(rows_near)):
        for match in pattern.finditer(text):
            if best is None or match.end() - match.start() > best[1] - best[0]:
                best = (match.start(), match.end(), key, doubt)
    return best


def _rows_near(text: str) -> set[int]:
    """Return the rows that hold a name whose first word may begin somewhere in a text."""
    starts = _by_start()
    near = {start for at in range(len(text)) if (start := text[at : at + 3]) in starts}
    near |= {word for word in starts if len(word) < SHORT and word in text}
    return {row for start in near for word, rows in starts[start] if word in text for row in rows}


@cache
def _by_start() -> dict[str, list[tuple[str, list[int]]]]:
    """Return the first words of names with their rows, by the letters that they begin with."""
    found: dict[str, list[tuple[str, list[int]]]] = {}
    for word, rows in _by_first_word().items():
        found.setdefault(word[:SHORT], []).append((word, rows))
    return found


@cache
def _synonyms() -> tuple[tuple[str, str], ...]:
    return tuple((name, key) for names, key, _ in (*NAMES, *FOREIGN) if key for name in names.split("|"))


@cache
def _by_own_name() -> dict[str, str]:
    return {row.name.lower(): key for key, row in LIBRARY.items()}


@cache
def _rows() -> tuple[tuple[str, str, str], ...]:
    own = [(row.name.lower().split(",")[0], key, "") for key, row in LIBRARY.items() if "%" not in row.name]
    return (*NAMES, *FOREIGN, *own)


@cache
def _patterns() -> tuple[tuple[re.Pattern[str], str, str], ...]:
    return tuple(
        (re.compile(rf"(?<![a-zà-ÿ])(?:{_any_of(choices)})(?:e?s|n)?(?![a-zà-ÿ])"), key, doubt)
        for choices, key, doubt in _rows()
    )


@cache
def _by_first_word() -> dict[str, list[int]]:
    """Return, by the word that names begin with, the rows that hold such a name: where it is not in a text, neither
    are they."""
    found: dict[str, list[int]] = {}
    for position, (choices, _, _) in enumerate(_rows()):
        for name in choices.split("|"):
            found.setdefault(re.split(r"[\s-]+", name)[0], []).append(position)
    return found


def _any_of(choices: str) -> str:
    """Return names as one pattern, the longest first."""
    return "|".join(_loose(one) for one in sorted(choices.split("|"), key=len, reverse=True))


def _loose(name: str) -> str:
    """Return a name as a pattern: words may be joined by spaces, hyphens or a comma."""
    return r"(?:\s*,\s*|[\s-]+)".join(re.escape(word) for word in re.split(r"[\s-]+", name))


def _by_percent(text: str, key: str, doubt: str) -> tuple[str, list[str]]:
    """Return the key nearest to the per cent that is stated, and what is doubtful of it.

    A strength stays a strength and a fat a fat: a figure that the name does not fit is doubtful.
    """
    stated = PERCENT.search(text)
    family = FAMILY_OF.get(key)
    if stated is None:
        return key, [doubt] if doubt else []
    percent = float(stated[1].replace(",", "."))
    if family is not None:
        nearest, found = min(BY_PERCENT[family], key=lambda row: abs(row[0] - percent))
        near = abs(nearest - percent) <= NEAR_PERCENT
        return found, [] if near else [f"{percent:g} % is not in the table: taken as {LIBRARY[found].name}"]
    own = STRENGTH_OF.search(LIBRARY[key].name) or FAT_OF.search(LIBRARY[key].name)
    if own is not None and abs(float(own[1]) - percent) <= NEAR_PERCENT:
        return key, []
    if key.startswith("butter") and percent >= 79:
        return key, []
    return key, [f"{percent:g} % is not in the table: taken as {LIBRARY[key].name}"]


def _left_over(text: str, key: str) -> list[str]:
    """Return what is doubtful of the words beside a name: an alternative, or words that say what a thing is."""
    found = []
    if ALTERNATIVE.search(text):
        found.append("or something else is said: the first that is known is taken")
    rest = PERCENT.sub(" ", text)
    harmless = HARMLESS | _amount_words() | ({"unsweetened"} if _sugar_pct(key) < SUGARED_PCT else {"sweetened"})
    words = [word for word in re.findall(r"[a-zà-ÿœß']{3,}", rest) if word.strip("'") not in harmless]
    if words:
        said = ", ".join(dict.fromkeys(words[:4]))
        found.append(f"{NOT_UNDERSTOOD}{said}")
    return found


@cache
def _amount_words() -> frozenset[str]:
    """Return the words by which cooks count and measure: beside a name they do not say what it is."""
    phrases = (
        *COUNT_WORDS,
        *FOREIGN_UNITS,
        *FOREIGN_MASS_G,
        *MEASURES_IN_PINTS,
        *BY_EYE_G,
        *(f"{word}s" for word in BY_EYE_G),
    )
    return frozenset(word for phrase in phrases for word in re.findall(r"[a-zà-ÿœß']+", phrase))


def _sugar_pct(key: str) -> float:
    composition = LIBRARY[key].composition_pct
    return sum(composition[sugar] for sugar in SUGARS)
