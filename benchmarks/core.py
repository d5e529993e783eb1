"""The core alone."""

import itertools

from benchmarks.clock import Row, median, times_ms
from benchmarks.kitchen import TWELVE_LINES
from hearth_bowl.core.assess.assess import assess
from hearth_bowl.core.bench.formula import formula
from hearth_bowl.core.mass.mixture import mix
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
    ]


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
