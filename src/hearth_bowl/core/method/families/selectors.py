"""Selectors: which lines of a recipe go in at an act, and conditions on a cook's batch."""

from hearth_bowl.core.ingredients.attributes import NUT_GROUPS
from hearth_bowl.core.method.cook import Cook
from hearth_bowl.core.method.rows import Condition, Selector

ALCOHOLIC_PCT = 5.0
"""Ethanol from which an ingredient can burn near a flame. A judgement."""
WATER_PCT = 99.0
"""Water of plain water, in which gelatine is soaked. By definition."""


def stages(*names: str) -> Selector:
    """Return the selector of the lines of some stages."""
    return lambda cook: cook.lines(*names)


def not_chocolate(*names: str) -> Selector:
    """Return the selector of the lines of some stages that are no chocolate."""
    return lambda cook: tuple(p for p in cook.lines(*names) if p not in cook.chocolate())


def chocolate_and(*names: str) -> Selector:
    """Return the selector of all chocolate and of the lines of some stages."""
    return lambda cook: tuple(sorted({*cook.chocolate(), *cook.lines(*names)}))


def in_the_pan(cook: Cook) -> tuple[int, ...]:
    """Return what is boiled."""
    return cook.in_the_pan


def everything(cook: Cook) -> tuple[int, ...]:
    """Return every line: what no earlier act took."""
    return tuple(range(len(cook.rows)))


def all_but(*names: str) -> Selector:
    """Return the selector of every line that is not of some stages."""
    return lambda cook: tuple(p for p in range(len(cook.rows)) if cook.rows[p].stage not in names)


def gelatine(cook: Cook) -> tuple[int, ...]:
    """Return gelatine that is soaked, with the water that is not boiled."""
    pan = set(cook.in_the_pan)
    soaked = [p for p, line in enumerate(cook.rows) if line.ingredient.gelatine and p not in pan and _is_pure(cook, p)]
    water = [p for p, line in enumerate(cook.rows) if p not in pan and _is_water(cook, p) and line.stage != "late"]
    return tuple(sorted({*soaked, *water})) if soaked else ()


def _is_pure(cook: Cook, position: int) -> bool:
    return cook.rows[position].ingredient.composition_pct["sucrose"] < SWEET_PCT


SWEET_PCT = 20.0
"""Sugar from which something with gelatine in it is a sweet, not gelatine: marshmallows, jelly sweets. A judgement."""


def _is_water(cook: Cook, position: int) -> bool:
    return cook.rows[position].ingredient.composition_pct["water"] > WATER_PCT


def raw_egg(cook: Cook) -> tuple[int, ...]:
    """Return raw egg."""
    return tuple(p for p, line in enumerate(cook.rows) if line.ingredient.raw_egg)


def egg_white(cook: Cook) -> tuple[int, ...]:
    """Return egg that is whipped: raw, pasteurised or dried."""
    pan = set(cook.in_the_pan)
    return tuple(p for p, line in enumerate(cook.rows) if "egg" in line.ingredient.allergens and p not in pan)


def enzyme(cook: Cook) -> tuple[int, ...]:
    """Return invertase."""
    return tuple(p for p, line in enumerate(cook.rows) if line.ingredient.enzyme)


def whole_nuts(cook: Cook) -> tuple[int, ...]:
    """Return nuts that go in whole."""
    return tuple(
        p
        for p, line in enumerate(cook.rows)
        if line.ingredient.own_body and not NUT_GROUPS.isdisjoint(line.ingredient.allergens)
    )


def dry_sugar(cook: Cook) -> tuple[int, ...]:
    """Return sugar and glucose syrup of the pan, which are melted before the cream goes in."""
    return tuple(p for p in cook.in_the_pan if cook.rows[p].ingredient.composition_pct["water"] < SYRUP_WATER_PCT)


SYRUP_WATER_PCT = 30.0
"""Water below which something in the pan is sugar or syrup, not cream or milk. A judgement."""


def butter_early(cook: Cook) -> tuple[int, ...]:
    """Return the butter where it goes in at the start."""
    return cook.lines("stir-in-cool") if cook.choices["butter"] == "early" else ()


def has(selector: Selector) -> Condition:
    """Return the condition that a selector finds a line."""
    return lambda cook: bool(selector(cook))


def way_is(*ways: str) -> Condition:
    """Return the condition that the recipe is made in one of some ways."""
    return lambda cook: cook.way in ways


def school_is(choice: str, *schools: str) -> Condition:
    """Return the condition that one of some schools is chosen."""
    return lambda cook: cook.choices[choice] in schools


def both(*conditions: Condition) -> Condition:
    """Return the condition that all hold."""
    return lambda cook: all(condition(cook) for condition in conditions)


def unless(condition: Condition) -> Condition:
    """Return the opposite condition."""
    return lambda cook: not condition(cook)


def with_spirit(selector: Selector) -> Condition:
    """Return the condition that something of a selector can burn."""
    return lambda cook: any(cook.rows[p].ingredient.composition_pct["ethanol"] > ALCOHOLIC_PCT for p in selector(cook))


def with_raw_egg(cook: Cook) -> bool:
    """Return whether raw egg is in it."""
    return bool(raw_egg(cook))


def with_gelatine(cook: Cook) -> bool:
    """Return whether gelatine itself is in it."""
    return any(line.ingredient.gelatine for line in cook.rows)


def joined(*selectors: Selector) -> Selector:
    """Return the selector of all that some selectors find."""
    return lambda cook: tuple(sorted({p for selector in selectors for p in selector(cook)}))
