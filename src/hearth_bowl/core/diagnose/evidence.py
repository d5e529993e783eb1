"""Evidence: what is known of this batch, for some causes and against others, with the words that say so.

One thing known multiplies all causes that it speaks for by one factor, and divides those that it speaks against by
another: so nothing that speaks for a cause ever makes it less likely. The factors are judgements.
"""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from typing import Final

from hearth_bowl.core.diagnose.bowl import Bowl
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.mass.little_water import FAMILIES as MEETS_WATER
from hearth_bowl.core.mass.mixture import mix
from hearth_bowl.core.mass.split import is_emulsion
from hearth_bowl.core.recipe.ratios import CHOCOLATE_KINDS

SURE: Final = 12.0  # a judgement
CLEAR: Final = 5.0  # a judgement
SOME: Final = 2.0
"""How much a thing known makes a cause more or less likely: judgements."""
YOUNG_MIN, OLD_MIN = 4.0, 12.0  # handbook of this craft
COOL_JOIN_C: Final = 30.0  # handbook of this craft
SETS_MIN: Final = 12 * 60.0
"""A ganache goes on setting for 12 to 24 hours: the handbook's (section E)."""
COLD_SET_C: Final = 8.0  # a judgement
WARM_CUT_C: Final = 18.0  # a judgement
WARM_ROOM_C: Final = 24.0  # a judgement
WHIPS_BELOW_C: Final = 12.0
"""A ganache is whipped at 8 to 12 °C (section D). A judgement."""
THIN_SHELL_MM: Final = 1.3  # common practice
SOUND_SHELL_MM: Final = 2.0  # common practice
FRIDGE_LONG_MIN: Final = 120.0  # common practice
DOCTORS: Final = ("glucose", "fructose", "maltose", "higher")
DOCTORED_SHARE: Final = 0.04
"""So much glucose syrup, invert or honey sugar of all sugar keeps the grain fine: usual practice."""
CARE: Final = 1.8  # handbook of this craft
SPLITS: Final = 2.3
"""Fat to water: the handbook's bands (section D)."""
GAP_PCT: Final = 0.7
"""Water content at the end of a boil within so much of what is aimed at is as it should be (section C). A judgement."""
NEAR_INDEX: Final = 0.15  # handbook of this craft
EGG_COOKED_C: Final = 82.0
"""Middle of a curd from which its egg is cooked. Handbook of this craft, section L."""
DRY_SUGAR_PCT: Final = 70.0
"""Sucrose and glucose from which an ingredient is sugar that must dissolve: food tables."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Evidence:
    """One thing known: the causes that it speaks for and against, how strongly, and how it is said."""

    says: str = ""
    supports: frozenset[str] = frozenset()
    against: frozenset[str] = frozenset()
    factor: float = SOME
    against_factor: float = CLEAR


def _for(says: str, causes: str, factor: float = SOME, against: str = "", against_factor: float = CLEAR) -> Evidence:
    return Evidence(
        says=says,
        supports=frozenset(causes.split()),
        against=frozenset(against.split()),
        factor=factor,
        against_factor=against_factor,
    )


def _against(causes: str, factor: float = CLEAR, says: str = "") -> Evidence:
    return Evidence(says=says, against=frozenset(causes.split()), against_factor=factor)


def weights(prior: Mapping[str, float], evidence: list[Evidence]) -> dict[str, float]:
    """Return how much each cause weighs by the signs and all that is known."""
    found = dict(prior)
    for one in evidence:
        for cause in found:
            if cause in one.supports:
                found[cause] *= one.factor
            elif cause in one.against:
                found[cause] /= one.against_factor
    return found


def shares(weighed: Mapping[str, float]) -> dict[str, float]:
    """Return weights as shares that sum to 1, the likeliest first."""
    total = sum(weighed.values())
    return {cause: weighed[cause] / total for cause in sorted(weighed, key=lambda cause: -weighed[cause])}


def evidence_of(bowl: Bowl, stage: str, now_c: float | None) -> list[Evidence]:
    """Return all that is known of a batch, for and against."""
    return [
        *_of_heat(bowl, stage, now_c),
        *_of_time(bowl, stage),
        *_of_answers(bowl),
        *_of_water(bowl),
        *_of_firmness(bowl),
        *_of_what_is_in_it(bowl, stage),
        *_of_shells(bowl, stage),
    ]


def _grown(over: float, full: float, most: float) -> float:
    """Return a factor that grows from SOME to `most` as `over` grows to `full`."""
    return SOME + (most - SOME) * min(max(over / full, 0.0), 1.0)


def _of_heat(bowl: Bowl, stage: str, now_c: float | None) -> Iterator[Evidence]:
    facts = bowl.facts
    known = [value for value in (facts.hottest_c, now_c) if value is not None]
    hottest = max(known, default=None)
    name, tightens_c = bowl.tightens
    if hottest is not None and not bowl.is_cooked:
        when = f" {facts.hottest_when}" if facts.hottest_when and facts.hottest_c == hottest else ""
        if hottest > tightens_c:
            says = f"it passed ⟦{hottest:.0f} °C⟧{when}; {name} tightens from ⟦{tightens_c:.0f} °C⟧"
            yield _for(says, "too-hot scorched", _grown(hottest - tightens_c, 15.0, SURE))
        elif facts.hottest_c is not None:
            says = f"it never passed ⟦{tightens_c:.0f} °C⟧"
            yield _against("too-hot scorched", SURE, says)
    if bowl.recipe.family == "curd" and hottest is not None and hottest < EGG_COOKED_C:
        says = f"it reached ⟦{hottest:.0f} °C⟧; egg is cooked from ⟦{EGG_COOKED_C:.0f} °C⟧"
        yield _for(says, "too-cold", SURE)
    coldest = min((value for value in (facts.coldest_c, now_c) if value is not None), default=None)
    if coldest is None:
        return
    if stage in ("join", "beat") and bowl.recipe.family not in ("whipped-ganache", "soft-cheese", "marzipan"):
        if coldest < COOL_JOIN_C:
            says = f"it is down to ⟦{coldest:.0f} °C⟧, where fats set before they are taken in"
            yield _for(says, "too-cold", _grown(COOL_JOIN_C - coldest, 10.0, SURE))
        else:
            yield _against("too-cold", CLEAR)
    if stage in ("melt", "join") and coldest < COOL_JOIN_C + 2:
        yield _for(f"at ⟦{coldest:.0f} °C⟧ lumps do not melt", "lumps-unmelted", SOME)
    if stage in ("set", "roll", "cut", "keep", "cool"):
        if coldest < COLD_SET_C + 2:
            says = f"it is at ⟦{coldest:.0f} °C⟧, firmer than it will be at room temperature"
            yield _for(says, "too-cold frozen-centre chilled-too-fast", _grown(COLD_SET_C + 2 - coldest, 8.0, CLEAR))
        elif coldest >= 14:
            yield _against("too-cold frozen-centre", CLEAR)
    if stage in ("dip", "unmould") and coldest < 0:
        yield _for(f"it was chilled to ⟦{coldest:.0f} °C⟧", "chilled-too-fast condensation", CLEAR)
    if bowl.recipe.family == "whipped-ganache" and stage == "beat" and now_c is not None and now_c > WHIPS_BELOW_C:
        says = f"at ⟦{now_c:.0f} °C⟧ it is too warm to whip"
        yield _for(says, "too-hot not-yet-set", _grown(now_c - WHIPS_BELOW_C, 6.0, SURE), against="overworked")
    if stage == "dip" and coldest < 10:
        yield _for(f"the centre is at ⟦{coldest:.0f} °C⟧", "frozen-centre", _grown(10 - coldest, 10.0, SURE))
    if now_c is not None and stage in ("cut", "roll") and now_c > WARM_CUT_C:
        yield _for(f"it is at ⟦{now_c:.0f} °C⟧", "warm-when-cut not-yet-set", _grown(now_c - WARM_CUT_C, 6.0, CLEAR))
    elif now_c is not None and stage == "cut":
        yield _against("warm-when-cut", CLEAR)
    if now_c is not None and stage in ("cool", "set", "unmould") and now_c > 22:
        yield _for(f"it is still at ⟦{now_c:.0f} °C⟧", "not-yet-set", _grown(now_c - 22, 6.0, CLEAR))
    if facts.room_c is not None and facts.room_c > WARM_ROOM_C:
        causes = "warm-when-cut off-temper condensation" + (
            " too-hot" if stage in ("set", "keep", "roll", "cut") else ""
        )
        yield _for(f"the room is at ⟦{facts.room_c:.0f} °C⟧", causes, _grown(facts.room_c - WARM_ROOM_C, 8.0, CLEAR))


def _of_time(bowl: Bowl, stage: str) -> Iterator[Evidence]:
    facts = bowl.facts
    minutes = facts.minutes
    if minutes is not None and stage in ("join", "melt"):
        if minutes <= YOUNG_MIN:
            yield _for(f"it has been stirred for {minutes:.0f} min only", "still-coming-together lumps-unmelted", CLEAR)
        elif minutes >= OLD_MIN:
            yield _against("still-coming-together", SURE, f"after {minutes:.0f} min it would have come together")
    if stage in ("set", "unmould", "cut", "roll", "cool"):
        waited = minutes if minutes is not None else None if facts.days is None else facts.days * 24 * 60
        if waited is not None and waited < SETS_MIN and not bowl.is_cooked:
            says = f"it has stood for {waited / 60:.1f} h; it goes on setting for 12 to 24"
            yield _for(says, "not-yet-set", _grown(SETS_MIN - waited, SETS_MIN, CLEAR))
        elif waited is not None and waited >= 24 * 60:
            yield _against("not-yet-set", SURE, "it has stood for a day")
    if stage == "keep" and facts.days is not None and facts.days >= 2:
        yield _for(f"it is {facts.days:.0f} days old", "moisture-moved", SOME, against="not-yet-set")
    out = facts.out_of_fridge_min
    if out is not None and stage in ("dip", "keep", "unmould", "set"):
        if out <= 20:
            yield _for("it came from the fridge just now", "condensation frozen-centre", CLEAR)
        elif out >= FRIDGE_LONG_MIN:
            yield _against("frozen-centre", CLEAR)


def _of_answers(bowl: Bowl) -> Iterator[Evidence]:
    facts = bowl.facts
    if facts.drops_of_water is not None:
        if facts.drops_of_water > 0:
            yield _for("water got in", "water-drops", SURE)
        else:
            yield _against("water-drops", SURE, "no water got in")
    if facts.sugar_dissolved is not None:
        if facts.sugar_dissolved:
            yield _against("sugar-not-dissolved", SURE, "the sugar was dissolved")
        else:
            yield _for("the sugar was not dissolved before it boiled", "sugar-not-dissolved", SURE)
    if facts.stirred_while_cooling is not None:
        if facts.stirred_while_cooling:
            yield _for("it was stirred while it cooled", "stirred-while-hot overworked", SURE)
        else:
            yield _against("stirred-while-hot", SURE, "it cooled undisturbed")
    if facts.tempered is not None:
        if facts.tempered:
            yield _against("off-temper", SURE, "the chocolate was in temper")
        else:
            yield _for("it was not tempered", "off-temper", SURE)


def _of_water(bowl: Bowl) -> Iterator[Evidence]:
    ratio = bowl.fat_to_water
    lost_g = bowl.facts.water_lost_g
    if ratio is not None:
        lost = f" after {lost_g:.0f} g of water lost" if lost_g else ""
        if ratio >= CARE:
            says = f"fat to water is {ratio:.2f}{lost}: {'expect it to split' if ratio >= 2.8 else 'on the edge'}"
            factor = 1 + (CLEAR - 1) * min((ratio - CARE) / (SPLITS - CARE), 1.0) if ratio < 2.8 else SURE
            yield _for(says, "too-much-fat-for-water", factor)
        else:
            yield _against("too-much-fat-for-water", SURE, f"fat to water is {ratio:.2f}: safe by its composition")
    elif not bowl.is_cooked and bowl.recipe.family not in ("filling",):
        yield _against("too-much-fat-for-water", CLEAR)
    if not bowl.is_cooked:
        if not lost_g:
            yield _against("too-much-water-left too-little-water-left", SOME)
        else:
            says = f"it lost {lost_g:.0f} g of water"
            yield _for(says, "too-little-water-left", _grown(lost_g / bowl.mass_g, 0.08, CLEAR))
        return
    if not bowl.knows_its_water:
        return
    pct, aimed = bowl.water_pct, bowl.aimed_water_pct
    says = f"about {pct:.1f} % of it is water; {aimed:.1f} % are aimed at"
    if pct > aimed + GAP_PCT:
        yield _for(says, "too-much-water-left", _grown(pct - aimed, 4.0, SURE), against="too-little-water-left")
    elif pct < aimed - GAP_PCT:
        yield _for(says, "too-little-water-left", _grown(aimed - pct, 4.0, SURE), against="too-much-water-left")
    else:
        yield _against("too-much-water-left too-little-water-left", CLEAR, says)


def _of_firmness(bowl: Bowl) -> Iterator[Evidence]:
    index, wanted = bowl.index, bowl.wanted
    if index is None or wanted is None:
        return
    low, high = wanted
    if index < low - NEAR_INDEX:
        says = f"by its composition it sets to {index:.1f}, softer than {low:.1f} to {high:.1f}"
        yield _for(says, "too-little-chocolate", _grown(low - index, 1.0, SURE), against="too-much-chocolate")
    elif index > high + NEAR_INDEX:
        says = f"by its composition it sets to {index:.1f}, firmer than {low:.1f} to {high:.1f}"
        yield _for(says, "too-much-chocolate", _grown(index - high, 1.0, SURE), against="too-little-chocolate")
    else:
        says = f"by its composition it sets to {index:.1f}, as it should"
        yield _against("too-little-chocolate too-much-chocolate", CLEAR, says)


def _of_what_is_in_it(bowl: Bowl, stage: str) -> Iterator[Evidence]:
    recipe, whole = bowl.recipe, mix(bowl.recipe)
    if recipe.family in MEETS_WATER and (bowl.is_chocolate_alone or not is_emulsion(recipe, whole)):
        yield _against("still-coming-together", SURE)
    yield from _of_sugar_that_went_in(bowl, stage)
    has_real = any(line.ingredient.kind == "chocolate" for line, _ in recipe.weighed)
    has_compound = any(line.ingredient.kind == "compound" for line, _ in recipe.weighed)
    if bowl.chocolate_g <= 0:
        yield _against("too-much-chocolate too-little-chocolate water-drops unmixed-fats", SURE)
    elif has_real and has_compound:
        yield _for("compound and real chocolate are mixed", "unmixed-fats", SURE)
    else:
        yield _against("unmixed-fats", CLEAR)
    if has_compound and not has_real and all(line.ingredient.kind in CHOCOLATE_KINDS for line, _ in recipe.weighed):
        yield _against("off-temper", SURE, "compound needs no tempering")
    if bowl.is_cooked:
        sugars_g = whole.sugars_g
        doctor_g = sum(whole.grams[name] for name in DOCTORS)
        if sugars_g > 0 and doctor_g < DOCTORED_SHARE * sugars_g:
            yield _for("there is no glucose syrup, honey or invert in it", "no-doctor-sugar", CLEAR)
        else:
            yield _against("no-doctor-sugar", SURE)
    if any(line.ingredient.composition_pct["ethanol"] > 0 for line, _ in recipe.weighed):
        yield _for("a spirit or liqueur thins it like water", "liquid-not-counted", SOME)
    if whole.pieces is not None:
        yield _for("crisp or whole pieces lie in it", "moisture-moved", SOME)


def _of_sugar_that_went_in(bowl: Bowl, stage: str) -> Iterator[Evidence]:
    """Give what the recipe's own sugar and chocolate say of grains."""
    if bowl.is_cooked:
        if bowl.chocolate_g > 0 and stage in ("melt", "join"):
            yield _for("its chocolate is still melting into it", "lumps-unmelted still-coming-together", SURE)
        else:
            yield _against("lumps-unmelted still-coming-together", SURE)
    elif not any(_is_dry_sugar(line.ingredient) for line, _ in bowl.recipe.weighed):
        yield _against("sugar-not-dissolved", SURE, "no sugar went in by itself")


def _is_dry_sugar(ingredient: Ingredient) -> bool:
    parts = ingredient.composition_pct
    return not ingredient.is_chocolate and parts["sucrose"] + parts["glucose"] >= DRY_SUGAR_PCT


def _of_shells(bowl: Bowl, stage: str) -> Iterator[Evidence]:
    wall = bowl.facts.shell_mm
    if wall is None or stage not in ("set", "dip", "unmould", "keep"):
        return
    if wall < THIN_SHELL_MM:
        yield _for(f"the shell is {wall:g} mm thin", "too-thin seam-or-thin-spot", _grown(1.3 - wall, 0.6, SURE))
    elif wall >= SOUND_SHELL_MM:
        yield _against("too-thin", CLEAR, f"the shell is {wall:g} mm")
