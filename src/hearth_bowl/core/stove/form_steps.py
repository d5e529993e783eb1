"""Steps by form: how a shell is made, how the mass goes into its vessel, and what is done once it has set.

Common practice; numbers with no source beside them are judgements.
"""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Final

from hearth_bowl.core.cooling.set_ask import usual_set_ask
from hearth_bowl.core.cooling.set_clock import set_clock
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit.ask import Ask, MouldAsk, PanAsk, PiecesAsk, ScoopAsk, chocolate_of
from hearth_bowl.core.fit.rolling import ROLLING
from hearth_bowl.core.fit.vessel import Pieces, Scoop, Vessel
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.keep.cautions import why_set_not_told
from hearth_bowl.core.mass.mixture import mix
from hearth_bowl.core.mass.tempering import tempering_kind
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.stove import cautions
from hearth_bowl.core.stove.step import Step

WALLED: Final = ("mould", "cup")
BALLS: Final = ("scoop", "pieces")


@dataclass(frozen=True, slots=True, kw_only=True)
class Shaped:
    """What a run's mass becomes: the kind of its vessel (empty: none chosen), and what is round and in a piece.

    `shell` is the chocolate of its shells or coats; `by` says how a ball is portioned, `rolling` in what it is rolled.
    `toppings` lie on each piece, `drizzles` are chocolates run over it; `thickness_mm` is of a slab, where it is known.
    """

    kind: str = ""
    shell: Ingredient | None = None
    halves: bool = False
    is_cut: bool = False
    by: str = ""
    has_core: bool = False
    rolling: str = ""
    toppings: tuple[str, ...] = ()
    drizzles: tuple[str, ...] = ()
    thickness_mm: float | None = None


def shaped_of(vessel: Vessel, ask: Ask) -> Shaped:
    """Return what a mass becomes in a vessel as asked."""
    rolling = ask.rolling if isinstance(ask, ScoopAsk | PiecesAsk) else None
    return Shaped(
        kind=ask.kind,
        shell=None if ask.kind == "cake" else chocolate_of(ask),
        halves=isinstance(ask, MouldAsk) and ask.halves,
        is_cut=isinstance(ask, PanAsk) and (ask.pieces is not None or ask.piece_mm is not None),
        by=_portion(vessel),
        has_core=isinstance(ask, ScoopAsk | PiecesAsk) and ask.core_g > 0,
        thickness_mm=ask.thickness_mm if isinstance(ask, PanAsk) else None,
        rolling="" if rolling is None else ROLLING[rolling].name.lower(),
    )


def _portion(vessel: Vessel) -> str:
    if isinstance(vessel, Pieces):
        return f"⟦{vessel.piece_g:g} g⟧ each, on the scale"
    return f"a level scoop of {vessel.volume_ml:g} ml each" if isinstance(vessel, Scoop) else ""


def shells_first(shaped: Shaped) -> list[Step]:
    """Return the making of moulded shells, once the chocolate is ready."""
    if shaped.kind not in WALLED or shaped.shell is None:
        return []
    brushed = shaped.kind == "cup"
    return [
        Step(
            key="shell",
            title="Make the shells",
            do="Brush or shake the cups out with it, walls first; chill, and give the rims a second coat."
            if brushed
            else "Flood the cavities, tap the air out, turn over, drain, scrape clean. Rest them upside down a few "
            "minutes, then chill; a second coat where the rim is thin.",
            cue="they come away from the wall" if not brushed else "no paper shows through",
            ask="Is there no thin spot against the light?",
            why="A thin rim cracks when it is capped, and a pin hole lets the filling dry or weep.",
            passes="" if brushed else "Grey where it still holds to the mould: it clears as it lets go.",
        )
    ]


def into_vessel(shaped: Shaped, family: str) -> Step:
    """Return how the mass goes into its vessel."""
    if shaped.kind in WALLED:
        return _into_walls(shaped, family)
    title, do = {
        "pan": ("Into the pan", "Line the pan so that the lining stands out on two sides; pour, level it, tap it."),
        "scoop": ("Into a shallow dish", "Spread it shallow, film on its surface."),
        "pieces": ("Into a shallow dish", "Spread it shallow, film on its surface."),
        "cake": ("Fill and coat the cake", "Fill first, then a thin coat to bind crumbs, chill, and the second coat."),
    }.get(shaped.kind, ("Into its vessel", "Fill it as the fit says; tap out the air."))
    return Step(
        key="pour",
        title=title,
        do=do,
        ask="Does it spread without tearing or running?" if shaped.kind == "cake" else "",
        why="Once it stiffens it will not level.",
        caution=cautions.COLD_CHEESE if family == "soft-cheese" else "",
    )


def into_any_vessel(shaped: Shaped) -> Step:
    """Return how a mass goes into its vessel in runs from before their steps followed the form."""
    walled = shaped.kind in WALLED and shaped.shell is not None
    return Step(
        key="pour",
        title="Into its vessel",
        do="Fill it as the fit says; tap out the air.",
        ask="Is the shell set, and the filling below ⟦28 °C⟧?" if walled else "",
        why="Too warm it melts the shell." if walled else "Once it stiffens it will not level.",
    )


def _into_walls(shaped: Shaped, family: str) -> Step:
    whipped = family == "whipped-ganache"
    return Step(
        key="pour",
        title="Fill the shells" if shaped.shell else "Into its vessel",
        do=("Pipe it within minutes of whipping" if whipped else "Pipe or pour it in")
        + (
            ", below the rim by what the fit leaves; tap out the air."
            if shaped.shell is not None
            else "; tap out the air."
        ),
        ask="Is the shell set, and the filling below ⟦28 °C⟧?" if shaped.shell else "",
        why="Too warm it melts the shell." if shaped.shell else "Once it stiffens it will not level.",
    )


def after_set(shaped: Shaped, family: str) -> list[Step]:
    """Return what is done once the mass has set, before anything is dipped."""
    if shaped.kind == "pan" and shaped.is_cut:
        return [_cut()]
    if shaped.kind in BALLS:
        return _balls(shaped, family)
    if shaped.kind in WALLED and shaped.shell is not None:
        return _closed(shaped)
    return []


def dry_filled(shaped: Shaped) -> list[Step]:
    """Return how a dry mix is put into shells and sealed; nothing where it is kept loose."""
    if shaped.kind not in WALLED or shaped.shell is None:
        return []
    fill = Step(
        key="pour",
        title="Fill them by the scale",
        do="Let the shells go, then weigh the mix into the lower halves; leave room above it."
        if shaped.halves
        else "Weigh the mix into each, leave room above it.",
        ask="Are the shells dry inside and out?",
        why="Damp shells bloom, and damp mix cakes.",
    )
    return [fill, *(step for step in _closed(shaped) if not (shaped.halves and step.key == "unmould"))]


def _cut() -> Step:
    return Step(
        key="cut",
        title="Mark and cut",
        do="Lift it out by its lining, let it stand a quarter of an hour, mark both ways, then cut; a warm, dry blade, "
        "wiped after every cut.",
        ask="Does it take a thumb print without sticking?",
        why="Straight from the cold it splinters; soft it drags.",
    )


def _balls(shaped: Shaped, family: str) -> list[Step]:
    caution = cautions.COLD_CHEESE if family == "soft-cheese" else ""
    inside = " Press the core in and close it over." if shaped.has_core else ""
    return [
        Step(
            key="portion",
            title="Portion it",
            do=f"Portion it, {shaped.by}.{inside}",
            ask="Does it hold its shape and come off the hand?",
            why="Equal pieces set, dip and pack alike.",
            caution=caution,
        ),
        Step(
            key="roll",
            title="Roll them round",
            do="Cold, dry hands, one turn each; then back into the cold until they are firm.",
            cue="firm to the touch",
            why="A warm hand melts the outside before the middle is round.",
            caution=caution,
        ),
    ]


def _closed(shaped: Shaped) -> list[Step]:
    is_compound = shaped.shell is not None and tempering_kind(shaped.shell) == "compound"
    ready = "Melt it again." if is_compound else "Temper it again, and test a smear."
    if shaped.halves:
        close = Step(
            key="halves",
            title="Join the halves",
            do="Match the halves, warm the rims for a breath on a warm plate or pipe a line of chocolate round, "
            "press and hold; look for gaps all round.",
            ask="Does what is inside stand below the rim?",
            why="A gap lets a running centre out and air in.",
        )
    else:
        close = Step(
            key="cap",
            title="Cap them",
            do=f"{ready} A thin layer over all, one scrape, chill.",
            ask="Has the filling half set: a skin, and it does not run?",
            why="A wet filling comes up through the cap; a warm one melts it.",
        )
    rest = Step(
        key="unmould",
        title="Let them rest and let go",
        do="Leave them in a cool room, then turn the mould over: pieces that are ready fall out by themselves.",
        why="What must be knocked out has not let go yet: chill it some minutes more.",
        attended=False,
    )
    return [rest, close] if shaped.halves else [close, rest]


def rolled_in(shaped: Shaped) -> list[Step]:
    """Return the rolling of balls in something dry, last of all."""
    if shaped.kind not in BALLS or not shaped.rolling:
        return []
    return [
        Step(
            key="roll-in",
            title="Roll them in",
            do=f"Roll them in {shaped.rolling} while the outside is still a little soft"
            + (", before the coat sets." if shaped.shell else "."),
            why="Dry and firm, nothing stays on.",
        )
    ]


def placed_on_slab(shaped: Shaped, recipe: Recipe) -> list[Step]:
    """Return when toppings go onto a slab that is not dipped: once its surface holds a mark but still takes one."""
    if shaped.kind != "pan" or shaped.shell is not None or not shaped.toppings:
        return []
    return [
        Step(
            key="toppings",
            title="Place what goes on top",
            do=f"Mark the cuts lightly, then set {joined(shaped.toppings)} on, one a piece, and press just in.",
            ask="Does a finger leave a mark that stays, and does the surface still take one?",
            why="Sooner they sink, later they fall off when it is cut.",
            usual_min=_holds_a_mark_min(shaped, recipe),
        )
    ]


def _holds_a_mark_min(shaped: Shaped, recipe: Recipe) -> tuple[float, float] | None:
    """Return when a slab's surface holds a mark, by the set clock [min]; None where its set is not modelled."""
    mixture = mix(recipe)
    if why_set_not_told(recipe, mixture) is not None:
        return None
    usual = usual_set_ask(recipe.use or "")
    thick_mm = shaped.thickness_mm or usual.thickness_mm or USUAL_SLAB_MM
    ask = replace(usual, state="pipe", place="counter", ambient_c=None, thickness_mm=thick_mm, bowl_kg=None)
    try:
        low, _, high = set_clock(mixture, ask, with_curve=False).cool_min
    except BadInput:
        return None
    return low, high


USUAL_SLAB_MM: Final = 16.0
"""How thick a slab is where nobody said: a judgement."""


def decorated(shaped: Shaped) -> list[Step]:
    """Return what is put on finished pieces, and what is run over them, last of all."""
    dipped = shaped.shell is not None and shaped.kind not in WALLED
    on_top = () if dipped or shaped.kind == "pan" else shaped.toppings
    if not on_top and not shaped.drizzles:
        return []
    over = f"Run {joined(shaped.drizzles)} over a few pieces at a time" if shaped.drizzles else "A few pieces at a time"
    then = f"; {joined(on_top)} on each before it sets" if on_top else ""
    return [
        Step(
            key="decorate",
            title="Finish them piece by piece",
            do=f"{over}{then}.",
            ask="Does it still take what is sprinkled on it?",
            why="A drizzle sets within a minute or two on a cold piece, and nothing stays on after.",
        )
    ]


def joined(names: Sequence[str]) -> str:
    """Return names in a sentence."""
    lower = [name.lower() for name in names]
    return " and ".join((", ".join(lower[:-1]), lower[-1])) if len(lower) > 1 else lower[0]
