"""Names: which ingredient of the library a cook's words mean, and what is doubtful about it.

Numbers with no source beside them are judgements, or limits of the reckoning.
"""

import re
from dataclasses import dataclass
from functools import cache
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.ingredients.library import LIBRARY

NAMES: Final[tuple[tuple[str, str, str], ...]] = (
    # words that must all be there (| between choices), the key, a doubt or ""
    ("sweetened condensed milk|condensed milk", "condensed_sweet", ""),
    ("dulce de leche", "condensed_sweet", "taken as condensed milk; it is cooked down, with less water"),
    ("evaporated milk", "evaporated", ""),
    ("coconut milk|coconut cream", "coconut_milk17", ""),
    ("coconut oil", "coconut_oil", ""),
    ("desiccated coconut|shredded coconut|coconut flakes|coconut", "coconut_desiccated", ""),
    ("cream cheese|soft cheese", "cream_cheese", ""),
    ("mascarpone", "mascarpone", ""),
    ("cream liqueur|irish cream", "cream_liqueur17", ""),
    ("half and half|half-and-half", "cream12", ""),
    ("double cream|extra thick cream", "cream48", ""),
    ("single cream|light cream|table cream", "cream18", ""),
    ("heavy whipping cream|heavy cream|thickened cream", "cream35", ""),
    ("whipping cream|whipped cream|fresh cream", "cream35", ""),
    ("sour cream|creme fraiche|crème fraîche", "", "soured cream is not in the table"),
    ("cream", "cream35", "which cream is not said: taken as 35 % fat"),
    ("skimmed milk powder|skim milk powder|milk powder", "skim_powder", ""),
    ("whole milk powder|full cream milk powder", "whole_powder", ""),
    ("milk chocolate", "milk33", "cocoa is not said: taken as 33 %"),
    ("white chocolate", "white28", "cocoa butter is not said: taken as 28 %"),
    ("unsweetened chocolate|baking chocolate|cocoa mass|cocoa liquor", "cocoa_mass", ""),
    ("bittersweet", "dark64", "cocoa is not said: taken as 64 %"),
    ("semisweet|semi-sweet|semi sweet", "dark55", "cocoa is not said: taken as 55 %"),
    ("gianduja", "gianduja", ""),
    ("dark compound|dark coating|dark melts", "compound_dark", ""),
    ("milk compound|milk coating|milk melts", "compound_milk", ""),
    ("white compound|white coating|white melts|coating melts|melting wafers", "compound_white", ""),
    ("dark chocolate|plain chocolate|couverture", "dark60", "cocoa is not said: taken as 60 %"),
    ("chocolate chips|chocolate chunks|chocolate", "dark55", "which chocolate is not said: taken as dark, 55 %"),
    ("cocoa butter", "cocoa_butter", ""),
    ("cocoa powder|unsweetened cocoa|cocoa", "cocoa_powder_21", ""),
    ("salted butter", "butter_salted", ""),
    ("peanut butter", "peanut_butter", ""),
    ("almond butter|almond paste", "almond_paste", ""),
    ("hazelnut paste|hazelnut butter", "hazelnut_paste", ""),
    ("pistachio paste|pistachio butter", "pistachio_paste", ""),
    ("clarified butter|ghee", "ghee", ""),
    ("butter", "butter82", ""),
    ("whole milk|full fat milk|full-fat milk", "milk_whole", ""),
    ("skimmed milk|skim milk", "milk_skim", ""),
    ("semi-skimmed milk|2% milk|low fat milk", "milk_semi", ""),
    ("milk", "milk_whole", "which milk is not said: taken as whole"),
    ("praline paste|praliné|praline", "praline_5050", ""),
    ("tahini|sesame paste", "tahini", ""),
    ("ground almonds|almond flour|almond meal|almonds|almond", "almond_whole", ""),
    ("hazelnuts|hazelnut", "hazelnut_whole", ""),
    ("pistachios|pistachio", "pistachio_whole", ""),
    ("walnuts|walnut|pecans|pecan", "walnut_whole", ""),
    ("icing sugar|powdered sugar|confectioners sugar|confectioners' sugar", "sugar_icing", ""),
    ("brown sugar|muscovado|demerara", "sugar_brown", ""),
    ("caster sugar|castor sugar|superfine sugar", "sugar_caster", ""),
    ("granulated sugar|white sugar|sugar", "sugar_granulated", ""),
    ("corn syrup", "corn_syrup_light", ""),
    ("glucose syrup|liquid glucose|glucose", "glucose_syrup40", ""),
    ("golden syrup|treacle", "golden_syrup", ""),
    ("maple syrup", "maple_syrup", ""),
    ("invert syrup|invert sugar", "invert_syrup", ""),
    ("dextrose", "dextrose", ""),
    ("honey", "honey", ""),
    ("fondant", "fondant_made", ""),
    ("sorbitol", "sorbitol_powder", ""),
    ("glycerine|glycerin|glycerol", "glycerol", ""),
    ("raspberry jam|strawberry jam|apricot jam|jam|preserves", "jam", ""),
    ("raspberry|raspberries", "raspberry_puree", "taken as purée, sieved or not"),
    ("strawberry|strawberries", "strawberry_puree", "taken as purée"),
    ("passion fruit|passionfruit", "passion_puree", ""),
    ("mango", "mango_puree", ""),
    ("banana", "banana_puree", ""),
    ("zest|rind|grated peel", "citrus_zest", ""),
    ("lemon juice|lime juice|juice", "lemon_juice", ""),
    ("raisins|sultanas", "raisins", ""),
    ("dried apricots|apricots", "apricot_dried", ""),
    ("dates", "dates", ""),
    ("espresso", "espresso", ""),
    ("instant coffee|coffee powder|coffee granules", "coffee_instant", ""),
    ("coffee liqueur|orange liqueur|hazelnut liqueur|liqueur", "liqueur25", "strength is not said: taken as 25 % vol"),
    ("coffee", "coffee_brewed", ""),
    ("rum|whisky|whiskey|brandy|cognac|bourbon|vodka|gin|kirsch|spirit", "spirit40", ""),
    ("vanilla", "vanilla_extract", ""),
    ("egg yolk|egg yolks|yolk|yolks", "egg_yolk", ""),
    ("egg white|egg whites", "egg_white", ""),
    ("salt", "salt", ""),
    ("lecithin", "lecithin", ""),
    ("biscuit|biscuits|cookie|cookies|crackers|crumbs", "biscuit_crumbs", ""),
    ("marshmallow|marshmallows", "marshmallows", ""),
    ("cinnamon|cardamom|ginger|nutmeg|spice|chilli|cayenne", "spice_ground", ""),
    ("vegetable oil|sunflower oil|rapeseed oil|oil", "sunflower_oil", ""),
    ("water", "water", ""),
)
"""Looked through in this order: the longer name stands before the shorter that it holds."""
SALTED: Final = re.compile(r"\bunsalted\b")
PERCENT: Final = re.compile(r"(\d{2,3}(?:\.\d)?)\s*(?:%|per\s?cent|percent)")
BY_PERCENT: Final = MappingProxyType(
    {
        "dark": ((50, "dark50"), (55, "dark55"), (60, "dark60"), (64, "dark64"), (70, "dark70"), (80, "dark80")),
        "milk": ((33, "milk33"), (38, "milk38")),
        "white": ((28, "white28"), (32, "white32")),
        "cream": ((12, "cream12"), (18, "cream18"), (30, "cream30"), (35, "cream35"), (38, "cream38"), (48, "cream48")),
    }
)
"""The library's nearest by the per cent that a name carries: cocoa of chocolate, fat of cream."""
NEAR_PERCENT: Final = 2.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Named:
    """The key that words mean (None: none known), and what is doubtful."""

    key: str | None
    doubt: str | None


def name_ingredient(words: str) -> Named:
    """Return the library's ingredient that a cook's words mean.

    >>> name_ingredient("70% dark chocolate, chopped").key
    'dark70'
    """
    text = " " + re.sub(r"[^a-zà-ÿ0-9%.' -]", " ", words.lower()) + " "
    if text.strip() in LIBRARY:
        return Named(key=text.strip(), doubt=None)
    exact = next((key for key, row in LIBRARY.items() if row.name.lower() == words.strip().lower()), None)
    if exact:
        return Named(key=exact, doubt=None)
    plain = SALTED.sub("", text)
    for pattern, key, doubt in _patterns():
        if pattern.search(plain):
            return _by_percent(plain, key, doubt)
    return Named(key=None, doubt="not an ingredient known here: left out")


@cache
def _patterns() -> tuple[tuple[re.Pattern[str], str, str], ...]:
    return tuple(
        (re.compile(rf"\b(?:{'|'.join(map(re.escape, choices.split('|')))})(?:s|es)?\b"), key, doubt)
        for choices, key, doubt in NAMES
    )


def _by_percent(text: str, key: str, doubt: str) -> Named:
    if not key:
        return Named(key=None, doubt=f"{doubt}: left out")
    kind = next((kind for kind in BY_PERCENT if key.startswith(kind)), None)
    stated = PERCENT.search(text)
    if kind is None or stated is None:
        return Named(key=key, doubt=doubt or None)
    percent = float(stated[1])
    nearest, found = min(BY_PERCENT[kind], key=lambda row: abs(row[0] - percent))
    if abs(nearest - percent) <= NEAR_PERCENT:
        return Named(key=found, doubt=None)
    return Named(key=found, doubt=f"{percent:g} % is not in the table: taken as {LIBRARY[found].name}")
