"""Ask the core about the demo's kitchen and every family, and keep the answers: `python -m tests.core.answers.answers`.

Keep them anew only when a rule was meant to change; the difference of the file then says what the change did.
"""

import json
from collections.abc import Iterator, Mapping
from dataclasses import asdict, fields, is_dataclass
from pathlib import Path
from typing import Any, Final

from hearth_bowl.core.assess.assess import assess
from hearth_bowl.core.assess.at_work import WORK
from hearth_bowl.core.bench.formula import formula
from hearth_bowl.core.boxes.assortment import RowAsk, plan_boxes
from hearth_bowl.core.boxes.shopping import PackFor, Stock
from hearth_bowl.core.confection.confection import Blend, Confection, Extra, Form, Part
from hearth_bowl.core.confection.label import label_of
from hearth_bowl.core.confection.of_fit import confection_of
from hearth_bowl.core.confection.work_out import work_out
from hearth_bowl.core.cooling.set_ask import STATES, SetAsk
from hearth_bowl.core.cooling.set_clock import set_clock
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit import fit
from hearth_bowl.core.fit.ask import Ask, ask_for, check_ask, kind_of
from hearth_bowl.core.fit.vessel import Box, Vessel
from hearth_bowl.core.ingredients.library import find
from hearth_bowl.core.mass.alcohol import retained_share
from hearth_bowl.core.mass.cooking import finished_or_none
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.core.mass.mixture import Mixture, mix
from hearth_bowl.core.mass.ripening import ripen
from hearth_bowl.core.mass.solid_fat import SOLID_FRACTION, blend_solid_fraction
from hearth_bowl.core.mass.solution import dissolve
from hearth_bowl.core.mass.sugar_stages import STAGES_C, stage_at
from hearth_bowl.core.mass.tempering import temper
from hearth_bowl.core.recipe.families import FAMILY
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.solve.starters import starter
from hearth_bowl.core.stove.bursts import burst_kind, next_burst
from hearth_bowl.core.stove.steps import run_steps
from hearth_bowl.demo.confections import CONFECTIONS
from hearth_bowl.demo.larder import LARDER
from hearth_bowl.demo.occasion import BOXES, PIECES
from hearth_bowl.demo.recipes import RECIPES
from hearth_bowl.demo.vessels import VESSELS
from hearth_bowl.formats.confection_file import confection_answer
from hearth_bowl.formats.recipe_file import recipe_from
from hearth_bowl.formats.vessel_file import vessel_from

FILE: Final = Path(__file__).with_name("answers.json")
KITCHEN: Final = Kitchen(altitude_m=340)
Flat = dict[str, float | str | bool | None]


def answers() -> dict[str, Flat]:
    """Return every answer by what was asked, flat: each value by its path."""
    return {name: _flat(found) for name, found in _asked()}


def _asked() -> Iterator[tuple[str, Any]]:
    recipes = {record["name"]: recipe_from(record) for record in RECIPES}
    ours = {f"ours: {key}": starter(key, None) for key in FAMILY}
    for name, recipe in {**recipes, **ours}.items():
        yield f"{name} / assess", [_or_why(assess, recipe, at_c) for at_c in (20.0, 4.0)]
        yield f"{name} / steps", [_step(step) for step in run_steps(recipe, {}, KITCHEN)]
    for name, recipe in recipes.items():
        told = formula(recipe, 20, KITCHEN, {"dark60": 0.014, "cream35": 0.005})
        yield f"{name} / bench", {field.name: getattr(told, field.name) for field in fields(told)}
        mixture = mix(recipe)
        yield (f"{name} / sets", [_or_why(_clock, mixture, ask) for ask in _set_asks()])
        yield f"{name} / warms", [_or_why(_burst, recipe, mixture, *state) for state in WARMED]
    yield "Running-sun fondant / ripens", ripen(mix(recipes["Running-sun fondant"]), 0.2, 20.0)
    yield from _tables()
    yield from _tempered()
    yield from _fitted(recipes)
    yield from _confections(recipes)


WARMED: Final = ((20.0, 1.0, 0, None), (20.0, 1.0, 0, (450.0, 240.0)), (30.0, 0.5, 2, None), (38.0, 0.2, 3, None))
"""How a mass stands in the oven: °C, its share in lumps, bursts before, and a record of another (g, s)."""


def _burst(recipe: Recipe, mixture: Mixture, now_c: float, lumps: float, before: int, record: Any) -> Any:
    return next_burst(mixture, burst_kind(recipe, mixture), now_c, lumps, 900.0, before, record)


def _set_asks() -> Iterator[SetAsk]:
    for state in STATES:
        yield SetAsk(state=state, from_c=40, place="fridge", thickness_mm=16)
    yield SetAsk(state="roll", from_c=40, place="counter", ambient_c=20, bowl_kg=0.6)
    yield SetAsk(state="unmould", from_c=32, place="fridge", volume_ml=7, area_cm2=21)
    yield SetAsk(state="cut", from_c=60, place="freezer", thickness_mm=20, cover="film", base="board")


def _tables() -> Iterator[tuple[str, Any]]:
    """Yield what a few rules say at every place of their tables."""
    yield "alcohol left", {how: retained_share(how) for how in ("cold", "hot", "flamed", "open")}
    yield "alcohol left, simmered", [retained_share("simmered", minutes) for minutes in range(0, 151, 15)]
    yield "sugar stages", {name: stage_at(name, 97.0) for name in STAGES_C}
    yield "at work", WORK
    yield "dissolved", [dissolve(mix(starter("boiled-fudge", None)), at_c) for at_c in range(0, 51, 10)]
    yield "solid fat", [blend_solid_fraction(dict.fromkeys(SOLID_FRACTION, 0.2), c, 1.0) for c in range(0, 41, 4)]


def _tempered() -> Iterator[tuple[str, Any]]:
    for key in ("dark60", "milk38", "white32", "compound_dark"):
        yield f"{key} / temper", _or_why(temper, find(key), 45, 31, 20, 600)


def _fitted(recipes: Mapping[str, Recipe]) -> Iterator[tuple[str, Any]]:
    for name, _, record in VESSELS:
        vessel = vessel_from(record)
        if isinstance(vessel, Box):
            continue
        for recipe in (recipes["Night-sky truffles"], recipes["Hill-top fudge squares"]):
            ask = check_ask(ask_for(kind_of(vessel), {}))
            made = finished_or_none(recipe, KITCHEN)
            yield f"{recipe.name} in {name}", _or_why(fit, recipe, vessel, ask, made)
            yield f"{recipe.name} in {name} / steps", _or_why(_steps_in, recipe, vessel, ask)
            one = _or_why(_piece_g, recipe, vessel, ask)
            yield f"{recipe.name} in {name} / piece", one


def _steps_in(recipe: Recipe, vessel: Vessel, ask: Ask) -> list[Any]:
    worked = work_out(confection_of(recipe, vessel, ask), KITCHEN)
    return [_step(step) for step in run_steps(recipe, {}, KITCHEN, worked)]


def _confections(recipes: Mapping[str, Recipe]) -> Iterator[tuple[str, Any]]:
    vessels = {name: (owned, vessel_from(record)) for name, owned, record in VESSELS}
    made = {}
    for row in CONFECTIONS:
        owned, vessel = vessels[row["vessel"]]
        more = {"owned": owned} if kind_of(vessel) in ("mould", "cup") else {}
        parts = tuple(
            Part(**{**{k: v for k, v in part.items() if k != "recipe"}, "of": _of(part, recipes)})
            for part in row["parts"]
        )
        extras = tuple(Extra(name=name, each=each) for name, each in row.get("extras", ()))
        form = Form(vessel=vessel, name=row["vessel"], **more, **row["form"])
        made[row["name"]] = Confection(name=row["name"], form=form, parts=parts, extras=extras)
    for name, confection in made.items():
        worked = work_out(confection, KITCHEN)
        yield f"{name} / worked out", confection_answer(worked)
        yield f"{name} / label", _or_why(label_of, worked, None)
    rows = [RowAsk(confection=made[name], per_box=per_box, spares=spares) for name, per_box, spares in PIECES]
    stock = {
        label: Stock(in_house_g=there, packs=(PackFor(pack_g=pack, price=price),) if pack else ())
        for label, pack, price, there in LARDER
    }
    chocolates = [find(key) for key in ("milk38", "compound_dark")]
    yield "Open evening", plan_boxes(rows, BOXES, stock, chocolates, 800, None, KITCHEN)


def _of(part: Mapping[str, Any], recipes: Mapping[str, Recipe]) -> Any:
    if "recipe" in part:
        return recipes[part["recipe"]]
    if "ingredient" in part["of"]:
        return find(part["of"]["ingredient"])
    return Blend(parts=tuple((find(one["ingredient"]), one["parts"]) for one in part["of"]["blend"]))


def _step(step: Any) -> dict[str, Any]:
    return {name: value for name, value in asdict(step).items() if value not in (None, (), "", False)}


def _clock(mixture: Mixture, ask: SetAsk) -> Any:
    return set_clock(mixture, ask, with_curve=False)


def _piece_g(*fit_of: Any) -> float:
    return work_out(confection_of(*fit_of), KITCHEN).piece_g


def _or_why(act: Any, *of: Any) -> Any:
    try:
        return act(*of)
    except BadInput as problem:
        return str(problem)


def _flat(value: Any, path: str = "") -> Flat:
    if is_dataclass(value) and not isinstance(value, type):
        value = {field.name: getattr(value, field.name) for field in fields(value)}
    if isinstance(value, Mapping):
        rows = {f"{path}.{name}" if path else str(name): one for name, one in value.items()}
    elif isinstance(value, list | tuple):
        rows = {f"{path}[{at}]": one for at, one in enumerate(value)}
    else:
        return {path: float(f"{value:.9g}") if isinstance(value, float) else _plain(value)}
    found: Flat = {}
    for name, one in rows.items():
        found |= _flat(one, name)
    return found


def _plain(value: Any) -> float | str | bool | None:
    return value if isinstance(value, int | str | None) else str(value)


if __name__ == "__main__":
    FILE.write_text(json.dumps(answers(), ensure_ascii=False, indent=0, sort_keys=True) + "\n", encoding="utf-8")
