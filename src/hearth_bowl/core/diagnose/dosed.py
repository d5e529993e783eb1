"""What is mended by weight or by cooking: dosed for the mass in the bowl, by the handbook's formulas."""

from typing import Final

from hearth_bowl.core.diagnose import doses
from hearth_bowl.core.diagnose.answer import EMULSION_C, Answer, Remedy, instead_of
from hearth_bowl.core.diagnose.bowl import Bowl
from hearth_bowl.core.diagnose.causes import GROUPS
from hearth_bowl.core.diagnose.doses import Dose
from hearth_bowl.core.ingredients.library import find
from hearth_bowl.core.mass.cooking import plan_or_none

RUINED_K: Final = 12.0
"""Chocolate alone so far above what it bears does not come back: a judgement."""


BROKEN: Final = "stirred into hot milk, or baked into something"
FAT_ALONE: Final = 4.0
"""From this fat to water on it is no emulsion any more, and no milk makes it one (section D). A judgement."""


def _grams(dose: Dose) -> str:
    name = dose.ingredient.name
    return (
        f"⟦{dose.g:.0f} g⟧ {name[0].lower()}{name[1:]}"
        if dose.g >= 10
        else f"⟦{dose.g:.1f} g⟧ {name[0].lower()}{name[1:]}"
    )


def _spoon(dose: Dose) -> str:
    return f"{_grams(dose)}, warm, a spoon at a time"


def split(bowl: Bowl, stage: str) -> Answer | None:
    """Answer too much fat for its water: the milk that mends it, or what it is by now."""
    ratio = bowl.fat_to_water
    if ratio is None:
        return None
    back = doses.watered_back(bowl)
    if ratio >= FAT_ALONE and bowl.recipe.family in GROUPS["beaten"]:
        return Answer(
            verdict="mend",
            say="Its butter has melted out. Cooled and beaten again it takes its fat back.",
            remedy=Remedy(
                do="Set the bowl over cold water and beat as it cools to ⟦18 to 22 °C⟧; no longer than until it is"
                " even.",
                work_c=(18.0, 22.0),
                then="It turns pale, thick and even, and holds the mark of the whisk.",
            ),
        )
    if ratio >= FAT_ALONE:
        return Answer(
            verdict="use-as",
            say=f"With fat to water at {ratio:.1f} it is no emulsion: milk would not make it one. Cool it,"
            f" stirring, and"
            " it sets to a smooth, rich paste.",
            remedy=Remedy(
                do="Stir it over cool water until it thickens evenly.",
                work_c=(24.0, 28.0),
                then="It sets like a nut paste.",
            ),
            instead="a spread, or a firm filling for shells",
        )
    dose = doses.unsplit(bowl)
    if dose is None:
        return blend(bowl, stage)
    lost = f" It boiled away about ⟦{back.g:.0f} g⟧ of its water." if back else ""
    return Answer(
        verdict="mend",
        say=f"There is too much fat for its water ({ratio:.2f} to 1).{lost}"
        f" {_spoon(dose)[0].upper()}{_spoon(dose)[1:]},"
        " brings it back to 1.8.",
        remedy=Remedy(
            do=f"Warm it to ⟦35 to 45 °C⟧. Blend or whisk in {_spoon(dose)}; stop as soon as it is smooth.",
            add=(dose,),
            work_c=EMULSION_C,
            then="It closes from the middle out, smooth and glossy, with no pools of fat.",
        ),
        instead=BROKEN,
    )


def blend(bowl: Bowl, _: str) -> Answer:
    """Answer what came apart though its composition is sound."""
    return Answer(
        verdict="mend",
        say="Its composition is sound; it has only come apart. Bring it to ⟦35 to 45 °C⟧ and blend.",
        remedy=Remedy(
            do="Bring it to ⟦35 to 45 °C⟧, over warm water or over cool, and blend with a stick blender held under the"
            " surface, or whisk from the middle.",
            work_c=EMULSION_C,
            then="It turns smooth and glossy. Keep it out of the heat from here on.",
        ),
        instead=BROKEN,
    )


def too_hot(bowl: Bowl, stage: str) -> Answer | None:
    """Answer what got too hot."""
    if bowl.recipe.family == "curd":
        return curdled_egg(bowl)
    if bowl.is_cooked:
        return cook(bowl, dissolve=False) or cool_down(stage)
    name, tightens_c = bowl.tightens
    overheated = (bowl.facts.hottest_c or 0.0) > tightens_c
    if stage in ("set", "keep", "cut", "roll", "unmould") and not overheated:
        return cool_down(stage)
    if bowl.fat_to_water is not None:
        return split(bowl, stage)
    if bowl.chocolate_g > 0 and (bowl.facts.hottest_c or 0.0) > tightens_c + RUINED_K:
        return Answer(
            verdict="use-as",
            say=f"Overheated so far, {name} stays thick and grainy: it will not coat or mould again. Where it does not"
            " taste of burning it can still be eaten.",
            instead="pressed through a sieve into a sauce, or baked into something",
        )
    return cool_down(stage)


def cool_down(stage: str) -> Answer:
    """Answer what is only too warm."""
    return Answer(
        verdict="mend",
        say="It is too warm. Take it off the heat and let it come down before anything else is done.",
        remedy=Remedy(
            do="Take it off the heat, set the bowl on a cool surface and stir now and then; what has set soft goes"
            " into the fridge for half an hour.",
            work_c=(18.0, 30.0),
            then="Once it is cooler it is smooth again, or firm enough to go on.",
        ),
    )


def seized(bowl: Bowl, stage: str) -> Answer | None:
    """Answer chocolate that seized: the least liquid that makes a ganache of it."""
    dose = doses.unseize(bowl)
    if dose is None:
        return None
    high = EMULSION_C[1]
    own = doses.first_liquid(bowl.made)
    remedy = Remedy(
        do=f"Warm {_grams(dose)} to about ⟦45 °C⟧ and stir it in all at once; a little makes it worse, this much mends"
        " it.",
        add=(dose,),
        work_c=(40.0, high),
        then="It turns smooth: it is a ganache now, and never again a coat or a shell.",
    )
    if own is not None and stage in ("melt", "join") and own.kind == "cream":
        return Answer(
            verdict="mend",
            say=f"A little water made it seize. It needs liquid anyway: from {_grams(dose)} on it is a ganache. Go"
            f" on with"
            " the recipe's own, warm and all at once.",
            remedy=remedy,
            instead="a ganache or sauce; never a coat or a shell",
        )
    return Answer(
        verdict="use-as",
        say=f"A little water made it seize. {_grams(dose)} more makes a ganache of it; it will not coat or mould"
        f" again.",
        remedy=remedy,
        instead="a ganache, a filling or a sauce; never a coat or a shell",
    )


def cook(bowl: Bowl, dissolve: bool) -> Answer | None:
    """Answer what can be cooked again; None of what is not boiled down."""
    if not bowl.is_cooked:
        return None
    if bowl.recipe.family == "aerated":
        return _whipped_already(bowl)
    syrup = doses.doctored(bowl) if dissolve and bowl.recipe.family in ("caramel", "hard-sugar") else None
    plan = doses.cook_again(bowl, dissolve, syrup)
    if plan is None:
        return None
    water = Dose(ingredient=find("water"), g=plan.add_g)
    add = tuple(dose for dose in (water if plan.add_g >= doses.LEAST_G else None, syrup) if dose is not None)
    goes_in = " and ".join(_grams(dose) for dose in add)
    first = f"Put it back into the pan with {goes_in}. " if add else "Put it back into the pan. "
    melt = (
        "Warm it slowly, stirring, until no grain is left between the fingers; wash down the wall. " if dissolve else ""
    )
    must_lose = plan.off_g > doses.LEAST_G
    end = (
        f"Then boil it, stirring, to ⟦{plan.to_c:.1f} °C⟧: it must lose ⟦{plan.off_g:.0f} g⟧ of water."
        if must_lose
        else f"Warm it through to about ⟦{plan.to_c:.0f} °C⟧ until it is smooth."
    )
    what = (
        "its sugar has to dissolve again"
        if dissolve
        else "too little water is left in it"
        if add
        else f"it must lose ⟦{plan.off_g:.0f} g⟧ of water, stirring"
    )
    return Answer(
        verdict="mend",
        say=f"It can be cooked again: {what}.",
        remedy=Remedy(
            do=first + melt + end,
            add=add,
            work_c=(plan.to_c - 1.0, plan.to_c + 1.0),
            then=THEN.get(bowl.recipe.family, "A drop in cold water makes a soft ball."),
        ),
        instead=instead_of(bowl),
    )


THEN: Final = {
    "boiled-fudge": "A drop in cold water makes a soft ball. Cool it without stirring to about ⟦45 °C⟧, then beat.",
    "caramel": "A drop in cold water is as firm as the caramel will be. Pour it at once, and wrap it when it is cool.",
    "hard-sugar": "A drop in cold water cracks. Pour it at once, and box it airtight.",
    "fruit-jelly": "It falls from the spoon in a sheet. Cast it above ⟦85 °C⟧, its acid last.",
}
"""What shows that a boil is done, by family: the usual cues of the craft."""


def _whipped_already(bowl: Bowl) -> Answer:
    """Answer a whipped syrup: whipped, it is not boiled again, and the next syrup is."""
    plan = plan_or_none(bowl.made, bowl.kitchen)
    end = f" The next syrup is boiled to ⟦{plan.cooked.to_c:.1f} °C⟧." if plan else ""
    return Answer(
        verdict="use-as",
        say=f"A whipped syrup is not boiled again. Dust it, and leave it open overnight to dry.{end}",
        instead="melted slowly into hot milk",
    )


def curdled_egg(bowl: Bowl) -> Answer:
    """Answer a curd that got too hot: its egg has set to grains."""
    return Answer(
        verdict="use-as",
        say="Its egg has scrambled and will not go smooth again. Cool the pan in cold water at once and sieve it: where"
        " it tastes of egg, start again, over a water bath and never above ⟦85 °C⟧.",
        instead="sieved, a filling for a baked tart",
    )


def grained(bowl: Bowl, stage: str) -> Answer | None:
    """Answer sugar that grained."""
    if stage == "dissolve":
        return Answer(
            verdict="passes",
            say="This is normal. Keep it below the boil and stir slowly until no grain is left between the fingers, ten"
            " minutes or so; wash the wall down with a wet brush. Only then let it boil.",
        )
    if bowl.is_cooked:
        return cook(bowl, dissolve=True)
    return Answer(
        verdict="use-as",
        say="Its sugar did not dissolve and will not now. It tastes as it should: use it where a grain is welcome.",
        instead="a crumb for a cake, or melted slowly into warm milk",
    )


def wetter(bowl: Bowl, _: str) -> Answer | None:
    """Answer too much water."""
    if bowl.is_cooked:
        return cook(bowl, dissolve=False)
    if bowl.recipe.family in ("marzipan", "soft-cheese", "modelling"):
        return Answer(
            verdict="mend",
            say="It is too moist. Let it dry, or work in more of its dry part, a spoon at a time.",
            remedy=Remedy(
                do="Leave it open in a cool place for an hour, then work in its dry part, a spoon at a time.",
                work_c=(14.0, 20.0),
                then="It comes clean from the hand.",
            ),
        )
    return softened(bowl, "")


def drier(bowl: Bowl, stage: str) -> Answer | None:
    """Answer too little water."""
    if bowl.is_cooked:
        return cook(bowl, dissolve=False)
    back = doses.watered_back(bowl)
    if back is not None:
        return Answer(
            verdict="mend",
            say=f"It lost water: {_grams(back)} gives it back.",
            remedy=Remedy(
                do=f"Warm it to ⟦35 to 45 °C⟧ and blend in {_spoon(back)}.",
                add=(back,),
                work_c=EMULSION_C,
                then="It runs as it did.",
            ),
        )
    if bowl.recipe.family in ("marzipan", "modelling", "soft-cheese"):
        return Answer(
            verdict="mend",
            say="It is too dry. Knead in syrup or warm water by the teaspoon, no more than it takes.",
            remedy=Remedy(
                do="Warm it in the hand and knead in syrup, a few drops at a time.",
                work_c=(20.0, 26.0),
                then="It folds without a crack.",
            ),
        )
    return too_firm(bowl, stage)


def too_soft(bowl: Bowl, _: str) -> Answer | None:
    """Answer too little chocolate; None where its composition would set."""
    dose = doses.firmer(bowl)
    if dose is None:
        return None
    return Answer(
        verdict="mend",
        say=f"There is too little chocolate for it: {_grams(dose)}, melted, brings it to where it should set.",
        remedy=Remedy(
            do=f"Melt {_grams(dose)} gently. Warm the mass to ⟦35 to 40 °C⟧ and fold the chocolate in, a third at a"
            f" time.",
            add=(dose,),
            work_c=(35.0, 40.0),
            then="After a night in the cool it is as firm as it should be.",
        ),
        instead=instead_of(bowl),
    )


def softened(bowl: Bowl, stage: str) -> Answer:
    """Answer a soft mass whose reason is not in its recipe."""
    mended = too_soft(bowl, stage)
    if mended is not None:
        return mended
    return Answer(
        verdict="use-as",
        say="By its composition it should be firm enough, so no dose can be given. Chill it and see, or use"
        " it where it may be soft.",
        instead="a filling for a cake, a sauce, or a spoon of it in hot milk",
    )


def too_firm(bowl: Bowl, _: str) -> Answer | None:
    """Answer too much chocolate; None where its composition is not too firm."""
    dose = doses.softer(bowl)
    if dose is None:
        return None
    return Answer(
        verdict="mend",
        say=f"There is too much chocolate for its liquid: {_grams(dose)}, warm, brings it to where it should set.",
        remedy=Remedy(
            do=f"Warm the mass to ⟦35 to 45 °C⟧ and blend in {_spoon(dose)}.",
            add=(dose,),
            work_c=EMULSION_C,
            then="After a night it gives to the knife or the hand as it should.",
        ),
        instead=instead_of(bowl),
    )


def overworked(bowl: Bowl, stage: str) -> Answer | None:
    """Answer what was worked too long."""
    family = bowl.recipe.family
    if family == "whipped-ganache":
        cream = doses.first_liquid(bowl.made) or find("cream35")
        dose = Dose(ingredient=cream, g=0.08 * bowl.mass_g)
        return Answer(
            verdict="mend",
            say=f"It was whipped too long. {_grams(dose)}, cold and not whipped, folded in by hand, smooths it.",
            remedy=Remedy(
                do=f"Fold in {_grams(dose)}, cold, a spoon at a time, by hand. Do not whip again.",
                add=(dose,),
                work_c=(6.0, 12.0),
                then="It is smooth and holds a soft peak; pipe it at once.",
            ),
            instead="melted and cooled, a glaze",
        )
    if bowl.is_cooked:
        return cook(bowl, dissolve=True)
    return Answer(
        verdict="mend",
        say="It was worked too long or too warm, and its fat comes out. Let it rest.",
        remedy=Remedy(
            do="Wrap it and let it rest in the cool for some hours; then knead it briefly, and the fat is taken up"
            " again.",
            work_c=(18.0, 22.0),
            then="It is dull and smooth again, and does not shine with fat.",
        ),
    )
