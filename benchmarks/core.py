"""The core alone."""

import itertools

from benchmarks.clock import Row, median, times_ms
from benchmarks.kitchen import TWELVE_LINES
from hearth_bowl.core.assess.assess import assess
from hearth_bowl.core.bench.formula import formula
from hearth_bowl.core.confection.confection import Blend, Confection, Form, Part
from hearth_bowl.core.confection.work_out import work_out
from hearth_bowl.core.fit.vessel import checked_vessel
from hearth_bowl.core.ingredients.library import find
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.mass.mixture import mix
from hearth_bowl.core.method.method import method_of_confection
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.solve.balance import balance
from hearth_bowl.formats.recipe_file import recipe_from


def core_rows() -> list[Row]:
    """Time `assess` and the whole bench of twelve lines against only mixing them."""
    recipe = recipe_from(TWELVE_LINES)
    mixing = median(times_ms(lambda: mix(recipe), 500))
    return [
        Row(
            name="assess of 12 lines in the core, median",
            value=median(times_ms(lambda: assess(recipe), 500)),
            unit="ms",
            limit=0.35,
            baseline=mixing,
            baseline_name="only mixing them",
        ),
        Row(
            name="the whole bench of 12 lines in the core, median",
            value=median(times_ms(lambda: formula(recipe, 20), 200)),
            unit="ms",
            limit=3.5,
            baseline=mixing,
            baseline_name="only mixing them",
        ),
        _balance_row(recipe, mixing),
        _confection_row(recipe, mixing),
        _method_row(recipe, mixing),
    ]


def _five_parts(recipe: Recipe) -> Confection:
    dark, nut = find("dark60"), find("hazelnut_whole")
    return Confection(
        name="Comets",
        form=Form(
            vessel=checked_vessel(
                "mould", "half-egg", {"cavities": 10, "length_mm": 50, "width_mm": 36, "depth_mm": 18}
            ),
            pieces=36,
            halves=True,
        ),
        parts=(
            Part(role="shell", of=Blend(parts=((find("milk38"), 3.0), (dark, 2.0)))),
            Part(role="filling", of=recipe),
            Part(role="filling", of=nut, g_each=1.5, lumps=True),
            Part(role="filling", of=recipe, share_pct=22.0),
            Part(role="topping", of=nut, g_each=0.5),
        ),
    )


def _method_row(recipe: Recipe, mixing_ms: float) -> Row:
    worked = work_out(_five_parts(recipe))
    return Row(
        name="the method of a confection of five parts, median",
        value=median(times_ms(lambda: method_of_confection(worked, {}, Kitchen()), 100)),
        unit="ms",
        limit=5,
        baseline=mixing_ms,
        baseline_name="only mixing one of them",
    )


def _confection_row(recipe: Recipe, mixing_ms: float) -> Row:
    confection = _five_parts(recipe)
    return Row(
        name="a confection of five parts in the core, median",
        value=median(times_ms(lambda: work_out(confection), 100)),
        unit="ms",
        limit=5,
        baseline=mixing_ms,
        baseline_name="only mixing one of them",
    )


def _balance_row(recipe: Recipe, mixing_ms: float) -> Row:
    aims = itertools.cycle(
        {"set_index": 1.6 + 0.2 * step, **({"mass_g": 600.0 + 50 * step} if step % 2 else {})} for step in range(10)
    )
    return Row(
        name="balance of 12 lines in the core, median of ten aims",
        value=median(times_ms(lambda: balance(recipe, next(aims)), 40, warm_up=5)),
        unit="ms",
        limit=20,
        baseline=mixing_ms,
        baseline_name="only mixing them",
    )
