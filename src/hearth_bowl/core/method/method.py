"""The method of a recipe or a confection: all its acts, in an order in which one cook can do them."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import partial
from typing import Final

from hearth_bowl.core.confection.confection import Blend
from hearth_bowl.core.confection.work_out import Batch, Worked
from hearth_bowl.core.cooling.set_clock import Learned
from hearth_bowl.core.ingredients.attributes import NUT_GROUPS
from hearth_bowl.core.ingredients.ingredient import Ingredient
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.method.act import Act, After
from hearth_bowl.core.method.build import Build, Mix, part_name
from hearth_bowl.core.method.card import Differs, with_card
from hearth_bowl.core.method.choices import checked_choices
from hearth_bowl.core.method.cook import Cook
from hearth_bowl.core.method.endings import ending_of
from hearth_bowl.core.method.forms import form_acts
from hearth_bowl.core.method.forms.common import turns_of
from hearth_bowl.core.method.mixes import Place, chained, filled_in, mix_acts, shell_limit_c, told_once
from hearth_bowl.core.method.sessions import with_tempering
from hearth_bowl.core.recipe.families import FAMILY
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.recipe.steps import ON_THE_PIECE

LONG_REST_MIN: Final = 240.0
"""A mix with a rest of this length is begun before the shells. A judgement."""
USES_INTO_A_PAN: Final = frozenset({"cut", "frame"})
USES_BY_HAND: Final = frozenset({"roll"})


@dataclass(frozen=True, slots=True, kw_only=True)
class Method:
    """All acts in order, and where the card and the handbook differ."""

    acts: tuple[Act, ...]
    differs: tuple[Differs, ...] = ()
    mixes: tuple[Mix, ...] = ()
    """The mixes that it makes, each with its acts as they are before the card is laid over them."""

    @property
    def hands_min(self) -> float:
        """Return the usual minutes of all acts that need hands."""
        return sum(act.usual_min for act in self.acts if act.hands)

    @property
    def elapsed_min(self) -> float:
        """Return the usual minutes from the first act to the end of the last, for one cook who never waits for
        anything but the acts."""
        ends: dict[str, float] = {}
        free = 0.0
        for act in self.acts:
            starts = max((ends[one.id] + one.least_min for one in act.after), default=0.0)
            if act.hands:
                starts = max(starts, free)
                free = starts + act.usual_min
            ends[act.id] = starts + act.usual_min
        return max(ends.values(), default=0.0)


def method_of_recipe(recipe: Recipe, given: Mapping[str, str], kitchen: Kitchen, kitchen_c: float = 20.0) -> Method:
    """Return the method of a mix alone: made, and ended as its family and its use ask.

    :raises BadInput: naming a choice.
    """
    choices = checked_choices(given)
    cook = Cook(recipe=recipe, way=way_of(recipe), choices=choices, kitchen=kitchen, kitchen_c=kitchen_c)
    place = Place(prefix="m0.", of=(recipe.name,), mass=0, holds=nuts_of([line.ingredient for line in recipe.lines]))
    made = mix_acts(cook, place)
    ending = ending_of(recipe.family)
    if ending.pan and ((ending.is_poured and recipe.use not in USES_BY_HAND) or recipe.use in USES_INTO_A_PAN):
        rows = [*(ending.bowl if ending.pan[0].kind == "fill" else ()), *ending.pan, *ending.pan_sets, *ending.cut]
        rows += ending.after
    elif recipe.use in USES_BY_HAND:
        rows = [*ending.bowl, *ending.shape, *ending.after]
    else:
        rows = list(ending.bowl)
    ended = [filled_in(row, cook, place) for row in rows if row.where(cook)]
    acts = [*made, *chained(ended, before=(After(id=made[-1].id),))]
    carded, differs = with_card(acts, recipe.steps, cook, lambda act: True)
    return Method(acts=tuple(told_once(carded)), differs=differs)


def method_of_confection(
    worked: Worked,
    given: Mapping[str, str],
    kitchen: Kitchen,
    kitchen_c: float = 20.0,
    cools: Mapping[str, Learned] | None = None,
    made_g: Mapping[int, float] | None = None,
) -> Method:
    """Return the method of a confection worked out: its mixes, then its form.

    :param cools: how this kitchen cools, by place.
    :param made_g: grams of a mix that are made, by its place among the batches; else what the confection takes.
    :raises BadInput: naming a choice.
    """
    choices = checked_choices(given)
    holds = frozenset(one.name for one in worked.allergens_named if one.group in NUT_GROUPS)
    mixes = _mixes(worked, choices, kitchen, kitchen_c, holds, cools or {}, made_g or {})
    build = Build(worked=worked, mixes=mixes, holds=holds)
    each = list({id(mix): mix for mix in mixes.values()}.values())
    for mix in each:
        build.put(_until_long_rest(mix.acts))
    form_acts(build)
    acts = in_order(with_tempering(build, choices["temper"]))
    differs: list[Differs] = []
    for mix in each:
        acts, more = with_card(acts, mix.cook.recipe.steps, mix.cook, partial(_is_of, mix))
        differs += more
    acts, more = with_card(
        acts, worked.confection.steps, None, lambda act: act.mass is None or act.kind in ON_THE_PIECE
    )
    carded = bool(worked.confection.steps) or any(mix.cook.recipe.steps for mix in each)
    ordered = in_order(acts) if carded else acts
    return Method(acts=tuple(told_once(ordered)), differs=(*differs, *more), mixes=tuple(each))


def _is_of(mix: Mix, act: Act) -> bool:
    return act.id.startswith(mix.place.prefix)


def way_of(recipe: Recipe) -> str:
    """Return the way that a recipe is made: the cook's, else the first of its family."""
    family = FAMILY.get(recipe.family)
    return recipe.method or (family.methods[0].key if family is not None else "")


def nuts_of(ingredients: Sequence[Ingredient]) -> frozenset[str]:
    """Return the nuts and peanuts that some ingredients leave on tools, by name."""
    names = set[str]()
    for one in ingredients:
        if not NUT_GROUPS.isdisjoint(one.allergens):
            names |= {one.nut} if one.nut else NUT_GROUPS & set(one.allergens)
    return frozenset(names)


def _until_long_rest(acts: Sequence[Act]) -> list[Act]:
    """Return a mix's acts up to a long rest, which are done before the shells; none where it has no such rest."""
    at = next((i for i, act in enumerate(acts) if not act.hands and act.usual_min >= LONG_REST_MIN), None)
    return [] if at is None else list(acts[: at + 1])


def in_order(acts: Sequence[Act]) -> list[Act]:
    """Return acts so that each comes after those before it, else in the order that they have."""
    left, done, found = list(acts), set[str](), list[Act]()
    while left:
        act = next((one for one in left if all(after.id in done for after in one.after)), None)
        if act is None:
            raise ValueError(f"the acts go round in a circle: {[one.id for one in left]}")
        left.remove(act)
        done.add(act.id)
        found.append(act)
    return found


def _mixes(
    worked: Worked,
    choices: Mapping[str, str],
    kitchen: Kitchen,
    kitchen_c: float,
    holds: frozenset[str],
    cools: Mapping[str, Learned],
    made_g: Mapping[int, float],
) -> dict[tuple[int, int], Mix]:
    """Return the mixes of a confection by part and filling of the mould: each recipe once, but again for each filling
    where it does not wait."""
    turns = turns_of(worked)
    limit_c = shell_limit_c(_shell_chocolates(worked))
    found: dict[tuple[int, int], Mix] = {}
    for number, batch in enumerate(worked.batches):
        of_it = made_g.get(number, batch.make_g) / batch.make_g
        parts = [(at, part) for at, part in enumerate(worked.parts) if part.part.of == batch.recipe]
        ending = ending_of(batch.recipe.family)
        uses = [(at, turn, part.make_g / turns) for at, part in parts for turn in range(1, turns + 1)]
        if not ending.is_used_at_once or len(uses) == 1:
            uses = [(at, 0, batch.make_g) for at, _ in parts]
        made: dict[str, Mix] = {}
        for go, (at, turn, grams) in enumerate(uses, 1):
            is_anew = ending.is_used_at_once and len(uses) > 1
            place = Place(
                prefix=f"m{number}.{go}." if is_anew else f"m{number}.",
                of=tuple(dict.fromkeys(part_name(part) for _, part in parts)),
                mass=number,
                holds=holds & nuts_of([line.ingredient for line in batch.recipe.lines]),
            )
            if place.prefix not in made:
                cook = Cook(
                    recipe=_batch_of(batch, grams * of_it),
                    way=way_of(batch.recipe),
                    choices=choices,
                    kitchen=kitchen,
                    kitchen_c=kitchen_c,
                    pieces=worked.pieces,
                    thickness_mm=worked.body.thickness_mm,
                    shell_limit_c=limit_c,
                    cools=cools,
                )
                made[place.prefix] = Mix(cook=cook, place=place, acts=tuple(mix_acts(cook, place)))
            found[at, turn if turns > 1 else 0] = made[place.prefix]
    return found


def _batch_of(batch: Batch, made_g: float) -> Recipe:
    """Return a recipe with the grams that are made of it in one go."""
    return batch.recipe.with_amounts_g([grams * made_g / batch.recipe.mass_g for grams in batch.recipe.amounts_g])


def _shell_chocolates(worked: Worked) -> list[Ingredient]:
    shells = [part.part.of for part in worked.parts if part.part.role == "shell"]
    found: list[Ingredient] = []
    for of in shells:
        if isinstance(of, Blend):
            found += [one for one, _ in of.parts]
        elif isinstance(of, Ingredient):
            found.append(of)
    return [one for one in found if one.is_chocolate]
