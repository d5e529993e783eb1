"""Roles: which part of the piece a line is: by what it says it is for, by its heading, else by what the method does."""

import re
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

from hearth_bowl.core.card.form_words import EACH as FOR_EACH
from hearth_bowl.core.card.sections import role_said
from hearth_bowl.core.ingredients.library import LIBRARY
from hearth_bowl.core.recipe.measures import MEASURES_ML
from hearth_bowl.core.recipe.ratios import CHOCOLATE_KINDS
from hearth_bowl.core.recipe.steps import CardStep
from hearth_bowl.core.recipe.typed_amount import NUMBER, number_of
from hearth_bowl.core.recipe.written.recipe import Row, read_row

TIN: Final = "tin"
"""What greases or lines the tin: no part of the piece."""
_FOR: Final = (
    r"(?:\b(?:for|zum|zur|für|pour|per|para|al|to)\s+(?:the |die |das |den |la |le |les |l'"
    r"|il |lo |gli |el |o |a |os )?)"
)
PURPOSES: Final = (
    (
        TIN,
        rf"{_FOR}(?:tins?|pan|form|moule|stampo|teglia|molde|forma|assadeira|greas\w+|lin(?:e|ing)\b"
        rf"|einfetten|beurrer|graisser|ungere"
        r"|imburrare|engrasar|untar)|\bgreas(?:e|ing)\b",
    ),
    ("shell", rf"{_FOR}(?:shells?|casings?|hüllen?|schalen?|coques?|gusci[o]?|cáscaras?|cascas?)\b"),
    (
        "rolling",
        rf"{_FOR}(?:roll(?:ing)?|dust(?:ing)?|toss(?:ing)?|wälzen|bestäuben|roul(?:er|age)"
        rf"|saupoudrer|rotolare|spolverare|rebozar"
        r"|espolvorear|enrolar|passar|polvilhar)\b|\bto roll (?:them )?in\b",
    ),
    (
        "coat",
        rf"{_FOR}(?:coat(?:ing)?|dip(?:ping)?|enrob\w+|cover(?:ing)?|überziehen|überzug|tauchen"
        rf"|eintauchen|glasur|tremp\w+|ricoprire"
        r"|copertura|intingere|cubrir|cobertura|bañar|cobrir|banhar)\b",
    ),
    (
        "topping",
        (
            rf"{_FOR}(?:decorat\w+|top(?:ping)?|sprinkl\w+|drizzl\w+|finish(?:ing)?"
            rf"|garnish(?:ing)?|verzieren|dekorieren|dekoration|bestreuen"
            r"|décor\w*|parsemer|decora\w+|guarni\w+|adornar|enfeitar)\b|\bon top\b|\b(?:one "
            r"|half )?on each\b|\bobendrauf\b|\bpor cima\b"
        ),
    ),
    (
        "core",
        rf"\b(?:one |half )?(?:in(?:side)?|into|within|hidden in) (?:each|every|the (?:middle"
        rf"|centre|center))\b|{_FOR}(?:cores?|middles?|hearts?|yolks?)\b"
        r"|\bin jede\b|\bau cœur\b|\bdentro (?:de )?cada\b|\bnel cuore\b",
    ),
    ("filling", rf"{_FOR}(?:fillings?|cent(?:re|er)s?|füllung|garniture|ganache|ripieno|relleno|recheio)\b"),
    ("layer", rf"{_FOR}(?:(?:first|second|bottom|top|dark|milk|white) )?(?:layer|schicht|couche|strato|capa|camada)\b"),
)
"""What a line says it is for, the first that is found."""
EACH: Final = re.compile(rf"\b{FOR_EACH}\b", re.IGNORECASE)
_UNIT_EACH: Final = r"g|ml|tsp|teaspoons?|tbsp|tablespoons?"
_FIGURE_EACH: Final = (
    re.compile(rf"\b{FOR_EACH}\s*(?:about\s*)?(?P<n>{NUMBER})\s*(?P<unit>{_UNIT_EACH})\b", re.IGNORECASE),
    re.compile(
        rf"(?P<n>{NUMBER})\s*(?P<unit>{_UNIT_EACH})\s+(?:of |de |d')?(?:[^\d.,;]{{2,40}}\s+)?{FOR_EACH}\b",
        re.IGNORECASE,
    ),
    re.compile(rf"(?P<n>{NUMBER})\s*(?P<unit>{_UNIT_EACH})\s*{FOR_EACH}\b", re.IGNORECASE),
)


def each_told(text: str, measure: str = "metric") -> tuple[str, float] | None:
    """Return how much goes with each piece by a line, as `g_each` or `ml_each`; None where it does not say.

    >>> each_told("120 g drinking chocolate, 20 g each"), each_told("1 tsp jam each"), each_told("200 g cream")
    (('g_each', 20.0), ('ml_each', 5.0), None)
    """
    for pattern in _FIGURE_EACH:
        found = pattern.search(text)
        if found is not None:
            unit, much = found["unit"].lower(), number_of(found["n"])
            spoon = "tbsp" if unit.startswith(("tbsp", "table")) else "tsp" if unit.startswith("t") else None
            if spoon is not None:
                return "ml_each", much * MEASURES_ML[measure][spoon]
            return f"{unit}_each", much
    return None


MOST_EACH_G: Final = 25.0
"""What is more than this is no part of one sweet. A judgement."""
_OUTER_STEP: Final = (
    (
        "coat",
        {"dip", "coat"},
        (
            r"\b(?:dip|dunk|coat|enrobe|cover|tauch\w*|überzieh\w*|tremp\w+"
            r"|enrob\w+|intinge\w*|ricopr\w+|bañ\w+|cubr\w+|banh\w+|cobr\w+)\b"
        ),
    ),
    ("rolling", {"roll"}, r"\b(?:in|dans|nel|nello|nella|en|no|na|with|mit)\b"),
    ("topping", {"decorate"}, r""),
    ("shell", {"shell"}, r""),
    (
        "core",
        {"fill", "portion", "roll"},
        (
            r"\b(?:around|inside|in the (?:middle|centre|center)|push"
            r"|press .{0,30} into)\b"
        ),
    ),
)
"""By which act of a method, and which words in it, an ingredient is not of the mix. A judgement."""
INNER: Final = frozenset({"layer", "filling", "centre"})
_EACH_IN_METHOD: Final = re.compile(
    rf"(?P<what>{NUMBER}\s*(?:g|ml|tsp|teaspoons?)\s+(?:of )?[^.,;:]{{2,40}}?)\s+each\b", re.IGNORECASE
)


def each_in_method(steps: Sequence[tuple[int, str]], rows: Sequence[Row], measure: str) -> list[Row]:
    """Return what only the method gives for each piece ("with 3 g jam each"), as lines the list does not have."""
    found = []
    for number, text in steps:
        told = _EACH_IN_METHOD.search(text)
        row = read_row(number, told[0], measure) if told is not None else None
        if row is not None and row.read.key is not None and all(one.read.key != row.read.key for one in rows):
            found.append(row)
    return found


@dataclass(frozen=True, slots=True)
class Placed:
    """A row with its role: None is of the mix itself; `why` says by what a role was taken that no word of it said."""

    row: Row
    role: str | None
    why: str | None = None


def placed(rows: Sequence[Row], steps: Sequence[CardStep]) -> list[Placed]:
    """Return each row with the part of the piece that it is."""
    found = [Placed(row, purpose_of(row.text) or _under(row) or _of_each(row)) for row in rows]
    return _by_method(found, steps)


def purpose_of(text: str) -> str | None:
    """Return what a line says that it is for, or None.

    >>> purpose_of("icing sugar, for rolling"), purpose_of("butter for the tin"), purpose_of("200 g cream")
    ('rolling', 'tin', None)
    """
    return next((role for role, said in PURPOSES if re.search(said, text, re.IGNORECASE)), None)


def _under(row: Row) -> str | None:
    return role_said(row.heading) if row.heading else None


def _of_each(row: Row) -> str | None:
    """Return what a line is that tells how much goes with each piece: inside it, where nothing says otherwise."""
    told = each_told(row.text, row.measure)
    grams = told[1] if told is not None else row.grams if EACH.search(row.text) else None
    return "core" if grams is not None and grams <= MOST_EACH_G else None


def _by_method(rows: list[Placed], steps: Sequence[CardStep]) -> list[Placed]:
    """Return rows of the mix that the method only puts round, into or onto the piece with that role, and with why."""
    mixed = {
        key
        for step in steps
        if step.kind not in _OUTER or (step.kind == "melt" and len(step.ingredients) > 1)
        for key in step.ingredients
    }
    found = list(rows)
    for step in steps:
        role = next(
            (role for role, kinds, said in _OUTER_STEP if step.kind in kinds and re.search(said, step.text, re.I)), None
        )
        if role is None:
            continue
        for at, one in enumerate(found):
            key = one.row.read.key
            inner = [row for row in found if row.role is None]
            if one.role is not None or key is None or key not in step.ingredients or key in mixed or len(inner) < 2:
                continue
            if role == "core" and one.row.read.ingredient is not None and not one.row.read.ingredient.own_body:
                continue
            if not _is_named_alone(key, step, [row.row.read.key for row in inner]):
                continue
            found[at] = Placed(one.row, role, f"the method says so: “{step.text[:60]}”")
    return found


_OUTER: Final = frozenset({"dip", "coat", "roll", "decorate", "shell", "melt", "temper", "cap", "roast"})
"""Acts that do not put an ingredient into a mix."""


def _is_named_alone(key: str, step: CardStep, keys: Sequence[str | None]) -> bool:
    """Return whether a step names this ingredient and not merely chocolate, of which the mix is too."""
    if LIBRARY[key].kind not in CHOCOLATE_KINDS:
        return True
    others = [other for other in keys if other is not None and other != key and LIBRARY[other].kind in CHOCOLATE_KINDS]
    return not any(other in step.ingredients for other in others)
