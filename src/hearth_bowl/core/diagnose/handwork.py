"""What passes, what is mended by hand, and what is thrown away: the usual help of the craft."""

from typing import Final

from hearth_bowl.core.diagnose.answer import EMULSION_C, Answer, Answering, Remedy, instead_of
from hearth_bowl.core.diagnose.bowl import Bowl
from hearth_bowl.core.mass.tempering import WINDOWS, Window, tempering_kind
from hearth_bowl.core.recipe.ratios import CHOCOLATE_KINDS

CURD_C: Final = (82.0, 84.0)
"""Middle of a curd when its egg is cooked. Handbook of this craft, section L."""


def coming_together(bowl: Bowl, _: str) -> Answer:
    """Answer the frightening stage that passes."""
    return Answer(
        verdict="passes",
        say="This is normal. Stir on slowly from the middle for two or three minutes more at ⟦35 to 45 °C⟧: it turns"
        " smooth and glossy all at once, from the centre out. Add nothing yet.",
    )


def not_set(bowl: Bowl, stage: str) -> Answer:
    """Answer what has not set yet."""
    if stage == "beat":
        words = "Chill it to ⟦8 to 12 °C⟧, two hours or until tomorrow, and whip it again, briefly."
    elif stage == "unmould":
        words = "Give it another 15 to 20 min in the fridge: from below, a loose shell looks frosted."
    else:
        words = "Leave it until tomorrow, cool and covered: it goes on setting for 12 to 24 hours. It is ready when a"
        words += " fingertip leaves a print and comes away clean."
    return Answer(verdict="passes", say=f"This is normal. {words}")


def lumps(bowl: Bowl, _: str) -> Answer:
    """Answer lumps that are left."""
    low, high = EMULSION_C
    return Answer(
        verdict="mend",
        say="Lumps of chocolate or butter are left. Warm it gently until they are gone.",
        remedy=Remedy(
            do="Set the bowl over warm water, off the heat, and stir until the last lump is gone; a stick blender finds"
            " the rest.",
            work_c=(low, high),
            then="It runs smooth from the spoon, without a grain on its back.",
        ),
    )


def too_cold(bowl: Bowl, stage: str) -> Answer:
    """Answer what is too cold."""
    if bowl.recipe.family == "curd" and stage not in ("keep",):
        return Answer(
            verdict="mend",
            say="It was not hot enough: its egg is not cooked, and it stays thin.",
            remedy=Remedy(
                do="Set it over steaming water again and stir until its middle reads ⟦82 to 84 °C⟧; never let it boil.",
                work_c=CURD_C,
                then="It coats the spoon, and a drawn line stays. Cool it below ⟦10 °C⟧ within two hours.",
            ),
        )
    if stage in ("roll", "cut", "set", "keep"):
        return Answer(
            verdict="passes",
            say="It is only cold. Leave it for 20 to 30 min at room temperature, until a fingertip leaves a print, and"
            " go on.",
        )
    work = EMULSION_C if stage in ("join", "cool") else (18.0, 24.0)
    if stage in ("melt", "dip"):
        work = _work_c(bowl)
    low, high = work
    return Answer(
        verdict="mend",
        say=f"It is too cold to take its fat in. Bring it to ⟦{low:.0f} to {high:.0f} °C⟧ and stir.",
        remedy=Remedy(
            do=f"Warm the bowl for a few seconds at a time over warm water to ⟦{low:.0f} to {high:.0f} °C⟧, and beat or"
            " blend as soon as its edge softens.",
            work_c=work,
            then="It turns smooth and even in colour.",
        ),
        instead=instead_of(bowl),
    )


def scorched(bowl: Bowl, _: str) -> Answer:
    """Answer what is burnt."""
    return Answer(
        verdict="start-again",
        say="It is burnt, and the taste goes through all of it: nothing takes it out. Throw it away and start again,"
        " with less heat and more stirring.",
    )


def pan_full(bowl: Bowl, _: str) -> Answer:
    """Answer a pan that foams over."""
    return Answer(
        verdict="mend",
        say="The pan was too full or too hot. Off the heat at once; what is left goes on in a pan that it fills to"
        " a third.",
        remedy=Remedy(
            do="Take it off the heat and let the foam fall. Weigh what is left, pour it into a pan three times its"
            " height,"
            " and go on more gently.",
            then="The foam stays under the rim. The hob is cooled and wiped before it burns on.",
        ),
    )


def off_temper(bowl: Bowl, stage: str) -> Answer:
    """Answer chocolate out of temper."""
    if stage == "keep":
        return Answer(
            verdict="passes",
            say="Grey streaks are its own fat or sugar: good to eat, only not good to look at. Eat these first; the"
            " chocolate of the next is tempered.",
            instead="melted into a ganache, a sauce or hot milk",
        )
    window = _window(bowl)
    low, high = window.work_c
    if window.cool_to_c is None:
        melt = f"Melt it again at ⟦{window.melt_c[0]:.0f} to {window.melt_c[1]:.0f} °C⟧"
        do = f"{melt} and use it at ⟦{low:g} to {high:g} °C⟧."
    else:
        do = (
            f"Melt it again at ⟦{window.melt_c[0]:.0f} to {window.melt_c[1]:.0f} °C⟧, bring it down to"
            f" ⟦{window.cool_to_c[0]:g} to {window.cool_to_c[1]:g} °C⟧ with a quarter of unmelted chocolate, and"
            f" work it"
            f" at ⟦{low:g} to {high:g} °C⟧."
        )
    if stage in ("unmould", "set"):
        do = "Ten minutes in the freezer once, then tap the mould flat on the board; what holds is melted again. " + do
    return Answer(
        verdict="mend",
        say="The chocolate was out of temper. It is good to eat; for shine and snap it is tempered again.",
        remedy=Remedy(do=do, work_c=(low, high), then="A knife's point dipped in it sets shiny within five minutes."),
        instead="ganache, sauce or hot milk",
    )


def _window(bowl: Bowl) -> Window:
    found = [line.ingredient for line, _ in bowl.made.weighed if line.ingredient.kind in CHOCOLATE_KINDS]
    return WINDOWS[tempering_kind(found[0]) if found else "dark"]


def _work_c(bowl: Bowl) -> tuple[float, float]:
    low, high = _window(bowl).work_c
    return low, high


def plain(say: str, do: str, then: str, work_c: tuple[float, float] | None = None, instead: str = "") -> Answering:
    """Return the answer of a cause that is mended by hand, the same for every mass."""
    return lambda _bowl, _stage: Answer(
        verdict="mend", say=say, remedy=Remedy(do=do, work_c=work_c, then=then), instead=instead
    )


def thick(bowl: Bowl, _: str) -> Answer:
    """Answer chocolate too thick to run."""
    low, high = _work_c(bowl)
    return Answer(
        verdict="mend",
        say=f"It is too thick to run. Bring it to ⟦{low:g} to {high:g} °C⟧ first.",
        remedy=Remedy(
            do=f"Warm the bowl a few seconds at a time to ⟦{low:g} to {high:g} °C⟧, not above; scrape what has set"
            f" on its"
            " wall.",
            work_c=(low, high),
            then="It falls from the spoon in a ribbon that sinks in, without a string.",
        ),
    )


def moist(bowl: Bowl, _: str) -> Answer:
    """Answer moisture that moved: crisp things gone soft, or a surface that turned sticky."""
    if bowl.now.pieces is None:
        return Answer(
            verdict="mend",
            say="Its surface took up moisture. It is good to eat and needs to dry.",
            remedy=Remedy(
                do="Leave it open in dry, cool, moving air for some hours, then roll it in cocoa or wrap each piece.",
                work_c=(14.0, 20.0),
                then="It is dry to the touch. What stays moist is eaten first.",
            ),
            instead=instead_of(bowl),
        )
    return Answer(
        verdict="use-as",
        say="The crisp parts have taken up water, and nothing dries them again inside. It is good to"
        " eat, only"
        " soft. Next time fold it in late, or coat it in cocoa butter first.",
        instead="a soft crumb filling, with fresh crisp on top just before it is eaten",
    )


def seam(bowl: Bowl, stage: str) -> Answer | None:
    """Answer a seam or thin spot that gave way; in a fondant also its headroom and gas."""
    fondant = bowl.recipe.family == "fondant"
    return plain(
        "A seam or thin spot gave way."
        + " Look at its headroom too, and for bubbles: fondant that turns liquid swells, and gas means that it"
        " ferments." * fondant,
        "Wipe the piece dry, chill it for ten minutes, and close the place with melted chocolate from a small brush or"
        " bag; then coat the seam all round."
        + " Leave 1.5 mm under the cap of the next. Where gas bubbles out, throw the piece away."
        * fondant,
        "After a quarter of an hour on paper it leaves no wet mark. What has leaked for longer is eaten first.",
        instead="eaten soon, from a small cup",
    )(bowl, stage)


def lost(bowl: Bowl, _: str) -> Answer:
    """Answer a spill of unknown size."""
    return Answer(
        verdict="mend",
        say="Some of it is gone. Weigh the bowl: by what is left, all that is still to go in is taken by the same"
        " share.",
        remedy=Remedy(
            do="Weigh what is left, all that is still to go in follows it by the same share. Wipe up what fell before"
            " anything else is done."
            if not bowl.weighed
            else f"Weigh what is left (about ⟦{bowl.mass_g:.0f} g⟧ here, {100 * bowl.share:.0f} % of the whole). Take"
            f" {100 * bowl.share:.0f} % of everything that still goes in, and of the pieces. Wipe up what fell before"
            " anything else is done.",
            then="The ratio is as it was: it sets as it should.",
        ),
    )


def spoiled(bowl: Bowl, _: str) -> Answer:
    """Answer what has spoiled."""
    return Answer(
        verdict="start-again",
        say="It has spoiled. Throw all of it away, not only what shows, and wash what it touched. Do not taste it.",
    )


def out_of_the_cold(bowl: Bowl, _: str) -> Answer:
    """Answer what was out of the cold too long."""
    return Answer(
        verdict="start-again",
        say="It was out of the cold longer than two hours in all, or has stood longer than it keeps. Germs do not"
        " show and"
        " do not smell: throw it away.",
    )


def not_food(bowl: Bowl, _: str) -> Answer:
    """Answer something in it that is no food."""
    return Answer(
        verdict="start-again",
        say="Throw all of it away: a splinter cannot be found again with certainty, and sieving does not find it."
        " Look for"
        " where it came from before the next batch.",
    )
