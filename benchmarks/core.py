"""The core alone."""

from benchmarks.clock import Row, median, times_ms
from benchmarks.kitchen import TWELVE_LINES
from hearth_bowl.core.assess import assess
from hearth_bowl.core.formula import formula
from hearth_bowl.core.mixture import mix
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
            limit=1,
            baseline=mixing,
            baseline_name="only mixing them",
        ),
        Row(
            name="the whole bench of 12 lines in the core, median",
            value=median(times_ms(lambda: formula(recipe, 20), 200)),
            unit="ms",
            limit=15,
            baseline=mixing,
            baseline_name="only mixing them",
        ),
    ]
