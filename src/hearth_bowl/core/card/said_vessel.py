"""Said vessels: the tin, mould, cup, scoop or cake that words of a card name, with what they leave unsaid suggested."""

import re
from collections.abc import Sequence
from math import pi
from typing import Any, Final

from hearth_bowl.core.card import form_words as words
from hearth_bowl.core.card.lengths import Sides, sides_in
from hearth_bowl.core.geometry.numbers import MM3_PER_ML
from hearth_bowl.core.recipe.typed_amount import NUMBER, number_of
from hearth_bowl.core.recipe.written.shapes import COUNTS, number_of_counted

Said = tuple[dict[str, Any] | None, list[str]]
_TIN: Final = re.compile(rf"\b{words.TIN}\b", re.IGNORECASE)
_MOULD: Final = re.compile(rf"\b{words.MOULD}", re.IGNORECASE)
_CAKE: Final = re.compile(words.CAKE_FORM, re.IGNORECASE)
_DEEP: Final = re.compile(rf"^\W*(?:\w+\s+)?{words.DEEP}\b(?!\s*(?:de|di|of)?\s*\d)", re.IGNORECASE)
_DEEP_BEFORE: Final = re.compile(rf"{words.DEEP}\s*(?:of|:)?\s*$", re.IGNORECASE)
_CAVITIES: Final = (
    re.compile(rf"(?P<n>\d{{1,3}})\s*-?\s*{words.CAVITIES}\b", re.IGNORECASE),
    re.compile(
        r"(?P<n>\d{1,3})\s*(?:half[- ]?(?:balls?|spheres?)|domes?|half[- ]eggs?|eggs?|cones?|pyramids?|bars?|halbkugeln"
        r"|demi-?\s?sphères|demi-?\s?œufs|semisfere|mezze uova|medi[ao]s esferas|medios huevos|meias"
        r" esferas|meios ovos|halben eiern?)\b",
        re.IGNORECASE,
    ),
    re.compile(
        rf"{words.MOULD}\s*(?:of|with|mit|de|da|con|com|à)\s*(?P<n>\d{{1,3}})\b(?!\s*-?\s*(?:mm|cm|g\b|ml|x))",
        re.IGNORECASE,
    ),
)
_WATER: Final = re.compile(
    rf"(?:hold(?:s|ing)?|{words.CAVITIES}\s*(?:of|à|de|da|zu)?)\s*(?P<g>{NUMBER})\s*(?:g|ml)\b", re.IGNORECASE
)
_LOAF_G: Final = re.compile(
    rf"(?P<n>{NUMBER})\s*-?\s*(?P<unit>kg|g|lbs?|pounds?)\s*(?:\([^)]*\)\s*)?loaf", re.IGNORECASE
)
_SCOOP: Final = re.compile(rf"(?P<ml>{NUMBER})\s*-?\s*ml\s*(?:ice[- ]cream )?(?:scoops?|portioner)", re.IGNORECASE)
_BALL: Final = re.compile(
    r"^\W*(?:balls?|truffles?|kugeln?|boules?|boulettes?|palline|bolas|bolitas|bolinhas)\b", re.IGNORECASE
)
_BALL_BEFORE: Final = re.compile(
    (
        r"\b(?:balls?|truffles?|kugeln?|boules?|boulettes?|palline|bolas|bolitas|bolinhas)\s*(?:of|von|de"
        r"|di|da)?\s*(?:about\s*)?$"
    ),
    re.IGNORECASE,
)
_CUPS: Final = re.compile(
    rf"(?:(?<!\d)(?P<count>\d{{1,3}}(?!\d)|(?:{COUNTS})(?![a-zà-ÿ]))\s+(?:x\s*)?)?(?:(?:small|little)\s+)?"
    rf"(?:(?:paper |foil )?cups?\s*(?:of|,|holding)\s*(?P<ml>{NUMBER})\s*ml"
    rf"|(?P<ml2>{NUMBER})\s*-?\s*ml\s*(?:paper |foil )?cups?\b)",
    re.IGNORECASE,
)
_CUP: Final = re.compile(r"\b(?:cups?|cases)\b", re.IGNORECASE)
_CUP_EACH: Final = re.compile(r"\bone (?:small |little )?cup each\b", re.IGNORECASE)
_PAPER_CASES: Final = re.compile(
    r"(?:(?P<count>\d{1,3})\s*)?(?:small |mini )?(?:paper|foil|sweet) (?:cups|cases)\b", re.I
)
_FILLINGS: Final = re.compile(
    r"(?P<n>\d|one|two|three|four)\s*(?:layers? of filling|fillings?|layers?|schichten|couches|strati|capas|camadas)\b",
    re.IGNORECASE,
)
POUND_G: Final = 453.6
"""By definition."""
CASE_ML: Final = 12.0
"""Suggested room of a paper case for a sweet: a judgement."""
MOST_MM: Final = 1000.0
"""What is longer is no kitchen's tin: a judgement."""


def vessel_said(text: str, is_method: bool) -> Said:
    """Return the vessel that words name, as a vessel file's measures, and what of it is suggested; None without one.

    In a method a tin or a mould without any measure is not one that is said.
    """
    for read in (_scoop, _cup, _cake, _mould, _tin, _ball):
        found, doubts = read(text, is_method)
        if found is not None:
            return found, doubts
    return None, []


def _scoop(text: str, is_method: bool) -> Said:
    said = _SCOOP.search(text)
    return (None, []) if said is None else ({"kind": "scoop", "volume_ml": number_of(said["ml"])}, [])


def _ball(text: str, is_method: bool) -> Said:
    """Return a ball by its width as a scoop of its volume."""
    for sides in sides_in(text):
        if len(sides.mm) == 1 and (_BALL.match(text[sides.end :]) or _BALL_BEFORE.search(text[: sides.start])):
            return {"kind": "scoop", "volume_ml": pi / 6 * sides.mm[0] ** 3 / MM3_PER_ML}, []
    return None, []


def _cup(text: str, is_method: bool) -> Said:
    if _CUP.search(text) is None:
        return None, []
    said = _CUPS.search(text)
    if said is not None:
        count = round(number_of_counted(said["count"])) if said["count"] else 1
        return {"kind": "cup", "volume_ml": number_of(said["ml"] or said["ml2"]), "count": max(1, count)}, []
    if _CUP_EACH.search(text):
        doubt = f"the size of a cup is not given: {words.USUAL_CUP_ML:g} ml suggested"
        return {"kind": "cup", "volume_ml": words.USUAL_CUP_ML, "count": 1}, [doubt]
    cases = _PAPER_CASES.search(text)
    if cases is not None and not is_method and cases["count"]:
        doubt = f"the size of a case is not given: {CASE_ML:g} ml suggested"
        return {"kind": "cup", "volume_ml": CASE_ML, "count": int(cases["count"])}, [doubt]
    return None, []


def _cake(text: str, is_method: bool) -> Said:
    if not _CAKE.search(text):
        return None, []
    told = list(sides_in(text))
    flat = [sides for sides in told if not _is_depth(text, sides)]
    if not flat or max(flat[0].mm) > MOST_MM:
        return None, []
    depth = next((sides.mm[0] for sides in told if _is_depth(text, sides)), None)
    fillings = _FILLINGS.search(text)
    count = round(number_of_counted(fillings["n"])) if fillings is not None else 1
    doubts = []
    if depth is None:
        depth = 70.0
        doubts.append("the height of the cake is not given: 70 mm suggested")
    if fillings is None:
        doubts.append("the number of filling layers is not given: one suggested")
    usual = {"height_mm": depth, "fillings": count, "filling_mm": 5.0, "coat_mm": 4.0}
    sides = flat[0].mm
    if len(sides) > 1 or re.search(words.SQUARE, text, re.IGNORECASE):
        return {"kind": "cake", "shape": "rectangle", "length_mm": sides[0], "width_mm": sides[-1], **usual}, doubts
    return {"kind": "cake", "shape": "round", "diameter_mm": sides[0], **usual}, doubts


def _mould(text: str, is_method: bool) -> Said:
    shape = next((key for key, named in words.SHAPES if re.search(named, text, re.IGNORECASE)), None)
    is_mould = _MOULD.search(text) is not None
    cavities = next((int(said["n"]) for pattern in _CAVITIES if (said := pattern.search(text))), None)
    half = re.search(words.HALF, text, re.IGNORECASE)
    if not is_mould and not (half and (cavities is not None or any(sides_in(text)))):
        return None, []
    told = [sides for sides in sides_in(text) if not _is_wall(text, sides)]
    water = _WATER.search(text)
    if is_method and not told and cavities is None and water is None:
        return None, []
    if not is_method and not told and cavities is None and water is None and shape is None:
        return None, []
    if told and cavities is None and shape is None and water is None:
        return None, []
    doubts = []
    if cavities is None:
        cavities = words.USUAL_CAVITIES.get(shape or "", words.OTHER_CAVITIES)
        doubts.append(f"the number of cavities in the mould is not given: {cavities} suggested")
    if water is not None:
        return {"kind": "mould", "shape": "weighed", "cavities": cavities, "water_g": number_of(water["g"])}, doubts
    if shape is None:
        shape = "hemisphere"
        doubts.append("the shape of the mould is not given: half balls suggested")
    measures = _cavity(shape, [side for sides in told for side in sides.mm], text)
    if measures is None:
        measures = dict(words.USUAL_CAVITY[shape])
        sizes = " x ".join(f"{size:g}" for size in measures.values())
        doubts.append(f"the size of a cavity is not given: {sizes} mm suggested")
    return {"kind": "mould", "shape": shape, "cavities": cavities, **measures}, doubts


def _cavity(shape: str, told: Sequence[float], text: str) -> dict[str, float] | None:
    """Return a cavity's measures of its lengths: across, then along or high; None where too few are told."""
    if not told:
        return None
    half = told[0] if re.search(r"\bradius\b", text, re.IGNORECASE) else told[0] / 2
    match shape, len(told):
        case "hemisphere", _:
            return {"radius_mm": half}
        case "dome" | "cone", count if count >= 2:
            if shape == "dome":
                return {"base_radius_mm": half, "height_mm": told[1]}
            return {"rim_radius_mm": half, "floor_radius_mm": half * 0.4, "height_mm": told[1]}
        case "half-egg", count:
            long, wide = (
                max(told[0], told[1]) if count > 1 else told[0],
                min(told[0], told[1]) if count > 1 else told[0] * 0.72,
            )
            return {"length_mm": long, "width_mm": wide, "depth_mm": told[2] if count > 2 else wide / 2}
        case "bar", count if count >= 2:
            return {"length_mm": told[0], "width_mm": told[1], "depth_mm": told[2] if count > 2 else 10.0}
        case "pyramid", count if count >= 2:
            floor = told[0] * 0.65
            rim = {"rim_length_mm": told[0], "rim_width_mm": told[0]}
            return {**rim, "floor_length_mm": floor, "floor_width_mm": floor, "height_mm": told[-1]}
    return None


def _tin(text: str, is_method: bool) -> Said:
    named = _TIN.search(text)
    if named is None:
        return None, []
    loaf = _LOAF_G.search(text)
    if loaf is not None:
        grams = number_of(loaf["n"]) * {"k": 1000.0, "g": 1.0}.get(loaf["unit"][0].lower(), POUND_G)
        measures = min(words.LOAF_TINS, key=lambda row: abs(row[0] - grams))[1]
        return {"kind": "pan", "shape": "loaf", **measures}, ["a loaf tin's measures differ: a usual one is suggested"]
    told = [sides for sides in sides_in(text) if max(sides.mm) <= MOST_MM]
    flat = [sides for sides in told if not _is_depth(text, sides) and not _is_cut(text, sides)]
    if not flat:
        return None, []
    sides = flat[0].mm
    depth = next((one.mm[0] for one in told if _is_depth(text, one)), sides[2] if len(sides) > 2 else None)
    doubts = []
    if depth is None:
        depth = words.USUAL_DEPTH_MM
        doubts.append(f"the depth of the tin is not given: {depth:g} mm suggested")
    if re.search(words.LOAF, text, re.IGNORECASE):
        long, wide = sides[0], sides[1] if len(sides) > 1 else sides[0] * 0.45
        base = {"length_mm": long / words.LOAF_RIM, "width_mm": wide / words.LOAF_RIM}
        doubts.append("the base of the tin is not given: a little smaller than its rim suggested")
        return {
            "kind": "pan",
            "shape": "loaf",
            **base,
            "rim_length_mm": long,
            "rim_width_mm": wide,
            "depth_mm": depth,
        }, doubts
    if len(sides) == 1 and re.search(words.ROUND, text, re.IGNORECASE):
        return {"kind": "pan", "shape": "round", "diameter_mm": sides[0], "depth_mm": depth}, doubts
    if len(sides) == 1 and not re.search(words.SQUARE, text, re.IGNORECASE):
        doubts.append("the shape of the tin is not given: square suggested")
    wide = sides[1] if len(sides) > 1 else sides[0]
    return {"kind": "pan", "shape": "rectangle", "length_mm": sides[0], "width_mm": wide, "depth_mm": depth}, doubts


def _is_depth(text: str, sides: Sides) -> bool:
    return len(sides.mm) == 1 and (
        _DEEP.match(text[sides.end :]) is not None or _DEEP_BEFORE.search(text[: sides.start]) is not None
    )


def _is_cut(text: str, sides: Sides) -> bool:
    return re.match(rf"^\W*{words.CUT_NOUN}\b", text[sides.end :], re.IGNORECASE) is not None or (
        re.search(rf"{words.CUT_NOUN}\s*(?:of|von|de|di|da)?\s*$", text[: sides.start], re.IGNORECASE) is not None
    )


def _is_wall(text: str, sides: Sides) -> bool:
    return re.match(r"^\W*(?:thick )?(?:shells?|walls?)\b", text[sides.end :], re.IGNORECASE) is not None
