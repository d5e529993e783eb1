"""Words of forms: how a card says how many, how large and in what, in English and five other kitchens.

Common practice; numbers with no source beside them are judgements.
"""

from collections.abc import Mapping
from types import MappingProxyType
from typing import Final

MM_OF: Final[Mapping[str, float]] = MappingProxyType(
    {
        r"mm|millimet(?:er|re)s?|millimètres?": 1.0,
        r"cm|centimet(?:er|re)s?|centimètres?|zentimeter": 10.0,
        r"inch(?:es)?|in(?=\.|\W*$|\s*(?:x|×|by|square|round|loaf|tin|pan|dish|deep|across|long|wide"
        r"|thick|diameter|balls?|cubes"
        r"|squares)\b)|\"|″|”|zoll|pouces?|pollici?|pulgadas?|polegadas?": 25.4,
    }
)
"""Millimetres of a unit of length. By definition."""
LENGTH_UNIT: Final = "|".join(MM_OF)
BY: Final = r"\s*(?:x|×|by|mal|sur|per|por|auf)\s*"
TIN: Final = (
    r"(?:[a-zà-ÿ]*form|backblech|blech|rahmen|tins?|pans?|dish|tray|frame|moule|cadre|plat|plaque"
    r"|stampo|teglia|tortiera"
    r"|cornice|molde|bandeja|f[oô]rma|tabuleiro|assadeira|marco)"
)
"""What a slab sets in."""
ROUND: Final = (
    r"\b(?:round|circular|rund\w*|springform|ronde?|rotond[oa]|tond[oa]|redond[oa]|across"
    r"|diameter|diamètre|durchmesser|diámetro|diametro|diâmetro)\b"
)
SQUARE: Final = r"\b(?:square|quadrat\w*|carrée?|cuadrad[oa]|quadrad[oa])\b"
LOAF: Final = r"\b(?:loaf|kasten\w*|bread tin|à cake|plumcake|plum-cake|bolo inglês)"
DEEP: Final = r"(?:deep|high|tall|hoch|tief|de haut(?:eur)?|alt[oa]|de alt(?:o|ura)|profond[oa]?|hond[oa])"
MOULD: Final = (
    r"(?:mou?lds?|pralinenform\w*|(?:silikon|hohlkugel|schokoladen)form\w*|moules? (?:à|en|de)|stamp[oi] (?:per|da|in)"
    r"|moldes? (?:de|para)|f[oô]rmas? (?:de|para) (?:bombo\w+|ovos?|chocolate|silicone))"
)
CAVITIES: Final = r"(?:cavit\w+|hollows?|mulden|vertiefungen|empreintes|alvéoles|impronte|cavidades|huecos|holes)"
SHAPES: Final = (
    (
        "half-egg",
        (
            r"\beggs?\b(?! white| yolk| wash)|\b(?:halb)?eiern?(?:form)?\b|\bœufs?\b|\buov[oa]\b"
            r"|\bhuevos?\b|\bovos?\b"
        ),
    ),
    (
        "hemisphere",
        (
            r"half[- ]?(?:balls?|spheres?|rounds?)|hemispher\w*|halbkugel\w*|demi-?\s?sphères?"
            r"|semisfer\w+|mezze sfere"
            r"|medias? esferas?|meias? esferas?|\bspheres?\b|\bsphères?\b|\bhohlkugeln?\b"
            r"|\bsfere\b|\besferas?\b"
        ),
    ),
    ("dome", r"\bdomes?\b|\bkuppel\w*|\bdômes?\b|\bcupol\w+|\bdomos?\b"),
    ("cone", r"\bcones?\b|\bkegel\b|\bcônes?\b|\bconi\b|\bconos?\b"),
    ("pyramid", r"\bpyramids?\b|\bpyramiden?\b|\bpiramid\w+|\bpirâmides?\b"),
    (
        "bar",
        (
            r"\bbars?\b(?= mou?ld)|\bmou?ld (?:of|for|with) .{0,12}bars?\b|\btafelform\w*|\btablette"
            r" mould|\bmoules? à tablettes?\b|\briegelform\w*"
        ),
    ),
)
"""Cavities by what they are called, the first that is found."""
USUAL_CAVITY: Final[Mapping[str, Mapping[str, float]]] = MappingProxyType(
    {
        "hemisphere": {"radius_mm": 14.0},
        "dome": {"base_radius_mm": 15.0, "height_mm": 14.0},
        "half-egg": {"length_mm": 50.0, "width_mm": 36.0, "depth_mm": 18.0},
        "cone": {"rim_radius_mm": 14.0, "floor_radius_mm": 6.0, "height_mm": 22.0},
        "pyramid": {
            "rim_length_mm": 28.0,
            "rim_width_mm": 28.0,
            "floor_length_mm": 18.0,
            "floor_width_mm": 18.0,
            "height_mm": 18.0,
        },
        "bar": {"length_mm": 110.0, "width_mm": 30.0, "depth_mm": 10.0},
    }
)
"""Suggested measures of a cavity whose size is not given: judgements."""
USUAL_CAVITIES: Final = MappingProxyType({"half-egg": 10, "bar": 4})  # a judgement
OTHER_CAVITIES: Final = 24
"""How many cavities a mould is taken to have where nothing is said: a judgement."""
USUAL_DEPTH_MM: Final = 40.0
"""Suggested depth of a tin whose depth is not given: a judgement."""
USUAL_TIN_MM: Final = 180.0
"""Suggested side of a tin for a slab of which no tin is named: a judgement."""
LOAF_TINS: Final = (
    (450.0, {"length_mm": 135.0, "width_mm": 75.0, "rim_length_mm": 155.0, "rim_width_mm": 90.0, "depth_mm": 60.0}),
    (900.0, {"length_mm": 195.0, "width_mm": 95.0, "rim_length_mm": 220.0, "rim_width_mm": 115.0, "depth_mm": 70.0}),
)
"""Loaf tins by the bread that they are named after [g]: usual ones, a judgement."""
LOAF_RIM: Final = 1.12
"""Rim over base of a loaf tin of which one measure is told: a judgement."""
USUAL_CUP_ML: Final = 60.0  # a judgement
USUAL_PIECE_G: Final = 12.0
"""A piece that is shaped by hand where nothing says how large: a usual truffle, a judgement."""
USUAL_PIECE_MM: Final = 25.0
"""Side of a piece that is cut where nothing says how large: a judgement."""
PIECE_NOUN: Final = (
    r"(?:balls?|truffles?|pieces?|portions?|rounds?|bonbons?|pralines?|centres|centers|bites?|kisses|creams|eggs"
    r"|kugeln?|trüffel|stücke?n?|pralinen?|boules?|boulettes?|truffes?|pièces?|palline|tartufi(?:ni)?"
    r"|cioccolatini|pezzi"
    r"|bolas|bolitas|trufas?|bombones|piezas|unidades|bolinhas|bombons|brigadeiros|docinhos|beijinhos|unidade)"
)
CUT_NOUN: Final = (
    r"(?:squares|cubes|rectangles|diamonds|pieces|bars|fingers|batons|quadraten?|würfel|rechtecke|stücken?"
    r"|carrés|morceaux|pavés|quadrat(?:i|ini)|cubetti|rettangoli|cuadrad(?:os|itos)|cubos"
    r"|quadrad(?:os|inhos)|trozos|pedaços)"
)
MADE_NOUN: Final = (
    rf"(?:{PIECE_NOUN}|{CUT_NOUN}|slices?|fudges?|candies|sweets|chocolates|hearts?"
    rf"|spheres?|domes?|stars?|moons?|comets?)"
)
SERVE_NOUN: Final = (
    r"(?:servings?|serves|persons?|people|personen|portionen|personnes|persone|porzioni|personas"
    r"|porciones|pessoas|porções"
    r"|guests|friends|mugs?|tassen)"
)
YIELDS: Final = (
    r"^\W*(?:(?:this |recipe )?(?:makes|yields?|gives|enough for|for)|ergibt|reicht für|für|pour"
    r"|donne|per|dosi per|rende"
    r"|para|rinde|salen|rendimento|rendimiento|quantità|menge)\b\s*:?\s*"
)
ABOUT: Final = (
    r"(?:(?:about|approx\.?|approximately|around|roughly|up to|ca\.?|circa|etwa|environ"
    r"|unos|unas|cerca de|aprox\.?)\s*)?"
)
DOZEN: Final = r"(?:\s*(?P<dozen>dozen|dutzend|douzaines?|dozzin[ae]|docenas?|dúzias?))?"
CAKE_FORM: Final = r"\b(?:cake|torte|gâteau|torta|tarta|bolo)\b"
EACH: Final = (
    r"(?:each|apiece|per piece|a piece|je(?: stück)?|pro stück|chacune?|(?:par|la) pièce|ciascun[oa]|al pezzo"
    r"|cada un[oa]|cada uma?|por (?:pieza|unidad))"
)
"""Words that say an amount is of one piece."""
HALF: Final = r"half[- ](?:spheres?|balls?|eggs?)|halbkugel|demi-?\s?sphère|semisfer|medias? esfera|meias? esfera"
"""Half pieces by their names."""
