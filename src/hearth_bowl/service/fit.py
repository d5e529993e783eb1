"""Fit: a recipe into a vessel."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from typing import Any, TypeVar

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit import Ask, Fit, fit
from hearth_bowl.core.ingredient import Ingredient
from hearth_bowl.core.library import find
from hearth_bowl.core.recipe import Recipe
from hearth_bowl.formats.recipe_file import recipe_from
from hearth_bowl.formats.vessel_file import vessel_from

T = TypeVar("T")


@dataclass(frozen=True, slots=True, kw_only=True)
class Fitted:
    """A recipe with what it makes of a vessel."""

    recipe: Recipe
    fit: Fit


def fit_recipe(recipe: Mapping[str, Any], vessel: Mapping[str, Any], ask: Mapping[str, Any]) -> Fitted:
    """Return what is made of a recipe file's content to fill a vessel file's content as asked.

    `ask` holds the fields of `Ask`, its shell as a key or "none".

    :raises BadInput: with its field below `recipe`, `vessel` or `ask`.
    """
    checked = _under("recipe", lambda: recipe_from(recipe))
    pan_or_mould = _under("vessel", lambda: vessel_from(vessel))

    def answer() -> Fit:
        return fit(checked, pan_or_mould, Ask(**{**ask, "shell": shell_named(ask.get("shell") or "none")}))

    return Fitted(recipe=checked, fit=_under("ask", answer))


def shell_named(name: str) -> Ingredient | None:
    """Return the chocolate that a shell is made of, or None for `none`.

    :raises BadInput: at `shell`.
    """
    if name == "none":
        return None
    try:
        return find(name)
    except BadInput as problem:
        raise problem.under("shell") from None


def _under(part: str, act: Callable[[], T]) -> T:
    try:
        return act()
    except BadInput as problem:
        raise problem.under(part) from None
