"""Said forms: the form of a card's vessel, else of its words and parts, with what is missing suggested."""

import re
from collections.abc import Sequence
from dataclasses import dataclass, field
from typing import Any, Final

from hearth_bowl.core.card import form_words as words
from hearth_bowl.core.card.makes import Makes
from hearth_bowl.core.confection.confection import Form
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit.ask import USUAL_LOSS_PCT, kind_of
from hearth_bowl.core.fit.vessel import Mould, Vessel, checked_vessel

_JOINED: Final = re.compile(
    r"\b(?:(?:two|both|the) halves|of halves|join\w*|stick (?:them|the|two).{0,20}together|zwei"
    r" hälften|zusammenkleben|zusammensetzen"
    r"|deux moitiés|due metà|dos mitades|duas metades)\b",
    re.IGNORECASE,
)
_SPHERES: Final = re.compile(
    r"\b(?:whole |hollow )?(?:spheres?|bombs?|hohlkugeln?|sphères|sfere|esferas)\b", re.IGNORECASE
)
_HALF: Final = re.compile(rf"\b(?:{words.HALF})", re.IGNORECASE)
_EGGS: Final = re.compile(r"\beggs\b|\bostereier\b|\bœufs\b|\buova\b|\bhuevos\b|\bovos\b", re.IGNORECASE)
BY_WORDS: Final = (
    ("cake", r"\bcake (?:filling|coating|covering)\b|\b(?:fill|cover|coat) (?:a|the|one) .{0,20}cake\b"),
    (
        "mould",
        (
            r"\bmou?lds?\b|\bbonbons?\b|\bpralinenform|\bmoule à (?:bonbons|chocolat)|\bspheres?\b"
            r"|\bstamp[oi] per\b|\bmolde de bomb"
        ),
    ),
    (
        "pieces",
        r"\bballs?\b|\btruffles?\b|\bkugeln?\b|\btrüffel|\btruffes?\b|\bboules\b|\btartuf"
        r"|\bpalline\b|\btrufas?\b|\bbolinhas\b|\bbrigadeir"
        r"|\bbolas\b|\bbites\b",
    ),
    (
        "pan",
        r"\bsquares\b|\bslab\b|\bfudge\b|\bcubes?\b|\btin\b|\btray\b|\bcut\b|\bschneiden\b"
        r"|\bwürfel|\bcarrés\b|\bcouper\b|\bquadrat|\btagliare\b"
        r"|\bcortar\b|\bcuadrad|\bcaramels\b",
    ),
    ("cup", r"\bcups? each\b|\bsmall glasses\b|\bpaper cases\b"),
)
"""The form that words mean, the first that is found."""
PIECES_LOSS: Final = 1 - USUAL_LOSS_PCT / 100
"""By definition: what stays in the bowl is no piece."""


@dataclass(slots=True)
class Formed:
    """A form with its vessel's measures as a file has them, and what of it is suggested."""

    form: Form
    measures: dict[str, Any]
    doubts: list[str] = field(default_factory=list)


def form_of(makes: Makes, roles: Sequence[str], said: str, mass_g: float) -> Formed:
    """Return the form that a card says or means.

    :param roles: of its parts; `mass_g` what its mixes weigh together.
    """
    doubts: list[str] = []
    measures = _stated(makes, doubts) or _meant(makes, roles, said, mass_g, doubts)
    vessel = _vessel(measures)
    kind = kind_of(vessel)
    fields: dict[str, Any] = {}
    if makes.pieces is not None and kind != "cake":
        fields["pieces"] = makes.pieces
    if kind == "pan":
        fields |= _cut(makes, said, doubts)
    if isinstance(vessel, Mould) and vessel.shape in ("half-egg", "hemisphere") and _is_joined(vessel, said):
        fields["halves"] = True
        if not _JOINED.search(said):
            doubts.append("two halves are joined to one piece: check this")
    return Formed(Form(vessel=vessel, **fields), measures, doubts)


def _is_joined(vessel: Mould, said: str) -> bool:
    if _JOINED.search(said):
        return True
    if _HALF.search(re.sub(r"half[- ](?:ball|sphere|egg) mou?ld", " ", said, flags=re.IGNORECASE)):
        return False
    return bool(_EGGS.search(said) if vessel.shape == "half-egg" else _SPHERES.search(said))


def _vessel(measures: dict[str, Any]) -> Vessel:
    told = {name: value for name, value in measures.items() if name not in ("kind", "shape")}
    return checked_vessel(measures["kind"], str(measures.get("shape", "")), told)


def by_weight(piece_g: float) -> dict[str, Any]:
    """Return pieces of a weight, as a vessel file has them."""
    return {"kind": "pieces", "piece_g": piece_g}


def _stated(makes: Makes, doubts: list[str]) -> dict[str, Any] | None:
    if makes.vessel is None:
        return by_weight(makes.piece_g) if makes.piece_g is not None else None
    try:
        _vessel(makes.vessel)
    except BadInput as problem:
        doubts.append(f"the form on the card is not possible: {problem.message}")
        makes.vessel = None
        return None
    return makes.vessel


def _meant(makes: Makes, roles: Sequence[str], said: str, mass_g: float, doubts: list[str]) -> dict[str, Any]:
    kind = _kind(makes, roles, said)
    match kind:
        case "pan":
            side, deep = words.USUAL_TIN_MM, words.USUAL_DEPTH_MM
            doubts.append(f"the tin is not given: {side:g} x {side:g} mm, {deep:g} mm deep, suggested")
            return {"kind": kind, "shape": "rectangle", "length_mm": side, "width_mm": side, "depth_mm": deep}
        case "mould":
            shape = next((key for key, named in words.SHAPES if re.search(named, said, re.IGNORECASE)), "hemisphere")
            doubts.append("the mould is not given: a usual one suggested")
            cavities = words.USUAL_CAVITIES.get(shape, words.OTHER_CAVITIES)
            return {"kind": kind, "shape": shape, "cavities": cavities, **words.USUAL_CAVITY[shape]}
        case "cake":
            doubts.append("the cake is not given: 200 mm across and 70 mm high suggested")
            usual = {"diameter_mm": 200.0, "height_mm": 70.0, "fillings": 1, "filling_mm": 5.0, "coat_mm": 4.0}
            return {"kind": kind, "shape": "round", **usual}
        case "cup":
            doubts.append(f"the cups are not given: {words.USUAL_CUP_ML:g} ml each suggested")
            return {"kind": kind, "volume_ml": words.USUAL_CUP_ML, "count": makes.pieces or 12}
    if makes.pieces:
        each_g = max(0.1, round(mass_g * PIECES_LOSS / makes.pieces, 1))
        doubts.append(f"the weight of a piece is not given: {each_g:g} g from the card's amounts")
        return by_weight(each_g)
    doubts.append(f"the weight of a piece is not given: {words.USUAL_PIECE_G:g} g suggested")
    return by_weight(words.USUAL_PIECE_G)


def _kind(makes: Makes, roles: Sequence[str], said: str) -> str:
    if "shell" in roles or makes.wall_mm is not None:
        return "mould"
    if "layer" in roles or makes.piece_mm is not None:
        return "pan"
    if "core" in roles:
        return "pieces"
    plain = re.sub(r"\b(?:397|\d+)\s*g tins?\b|\btins? of\b|\btin\b(?= condensed)", " ", said.lower())
    return next((kind for kind, named in BY_WORDS if re.search(named, plain)), "pieces")


def _cut(makes: Makes, said: str, doubts: list[str]) -> dict[str, Any]:
    if makes.piece_mm is not None:
        return {"piece_mm": makes.piece_mm}
    if makes.pieces is None:
        side = words.USUAL_PIECE_MM
        doubts.append(f"the cut is not given: squares of {side:g} mm suggested")
        return {"piece_mm": (side, side)}
    return {}
