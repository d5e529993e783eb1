"""Ask the core about the demo's kitchen and every family, and keep the answers: `python -m tests.core.answers.answers`.

Keep them anew only when a rule was meant to change; the difference of the file then says what the change did.
"""

import json
from collections.abc import Iterator, Mapping
from dataclasses import asdict, fields, is_dataclass, replace
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
from hearth_bowl.core.method.act import Act
from hearth_bowl.core.method.chain import name_of
from hearth_bowl.core.method.choices import CHOICES
from hearth_bowl.core.method.method import Method, method_of_confection, method_of_recipe
from hearth_bowl.core.recipe.families import FAMILY
from hearth_bowl.core.recipe.recipe import Line, Recipe, checked_recipe
from hearth_bowl.core.recipe.steps import CardStep
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
from tests.kitchen import recipe as made_of

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
    for key, particular in FAMILY.items():
        for use in particular.uses:
            yield f"{key} for {use} / method", _acts(method_of_recipe(starter(key, use), {}, KITCHEN))
        yield f"{key} / schools", _schools(starter(key, particular.uses[0]))
        for way in particular.methods or (None,):
            large = _large(replace(starter(key, particular.uses[0]), method=way.key if way else None))
            yield (
                f"{key} of 3 kg, {way.key if way else 'one way'} / method",
                _acts(method_of_recipe(large, {}, KITCHEN)),
            )
            full = _with_everything(large)
            yield (
                f"{key}, {way.key if way else 'one way'}, with late lines / method",
                _acts(method_of_recipe(full, {}, KITCHEN)),
            )
        yield f"{key} in every form / method", dict(_in_forms(starter(key, particular.uses[0])))
        yield f"{key} / a card's degrees", _carded(starter(key, particular.uses[0]))
    yield "Running-sun fondant / ripens", ripen(mix(recipes["Running-sun fondant"]), 0.2, 20.0)
    yield from _tables()
    yield from _tempered()
    yield from _fitted(recipes)
    yield from _confections(recipes)
    yield from _piled(recipes)
    nougat = made_of("aerated", use="cut", sugar_caster=300, honey=150, water=80, egg_white=60, almond_whole=150)
    yield "nougat / method", _acts(method_of_recipe(nougat, {}, KITCHEN))
    egg = made_of("marzipan", almond_ground=250, sugar_icing=200, egg_white=25)
    yield "marzipan with raw egg / method", _acts(method_of_recipe(egg, {}, KITCHEN))


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
        yield f"{name} / method", _acts(method_of_confection(worked, {}, KITCHEN))
    cones, balls = made["Late-watch cones"], made["Cloud balls"]
    for one in (cones, balls):
        for school in CHOICES["temper"]:
            method = method_of_confection(work_out(one, KITCHEN), {"temper": school}, KITCHEN)
            yield f"{one.name} tempered by {school} / method", _acts(method)
    cheese = replace(cones, parts=(cones.parts[0], Part(role="filling", of=starter("soft-cheese", None))))
    solid = replace(balls, parts=(Part(role="centre", of=find("milk38")), *balls.parts[1:]))
    tapped = replace(cones, steps=(CardStep(text="Out with a tap.", kind="unmould"),))
    for name, one in (("cheese in shells", cheese), ("bought balls", solid), ("a tap", tapped)):
        yield f"{name} / method", _acts(method_of_confection(work_out(one, KITCHEN), {}, KITCHEN))
    rows = [RowAsk(confection=made[name], per_box=per_box, spares=spares) for name, per_box, spares in PIECES]
    stock = {
        label: Stock(in_house_g=there, packs=(PackFor(pack_g=pack, price=price),) if pack else ())
        for label, pack, price, there in LARDER
    }
    chocolates = [find(key) for key in ("milk38", "compound_dark")]
    yield "Open evening", plan_boxes(rows, BOXES, stock, chocolates, 800, None, KITCHEN)


PILED: Final[Mapping[str, tuple[tuple[str, dict[str, Any]], ...]]] = {
    "pan": (("layer", {"share_pct": 40.0}), ("layer", {}), ("coat", {}), ("topping", {"g_each": 1.0})),
    "mould": (("shell", {}), ("filling", {"share_pct": 30.0}), ("filling", {}), ("topping", {"g_each": 0.5})),
    "cup": (("shell", {}), ("filling", {"share_pct": 30.0}), ("filling", {}), ("topping", {"g_each": 1.0})),
    "scoop": (("centre", {}), ("coat", {}), ("rolling", {"g_each": 0.8})),
    "pieces": (("centre", {}), ("core", {"g_each": 2.0}), ("coat", {}), ("coat", {"mm": 0.5}), ("rolling", {})),
    "cake": (("centre", {}), ("filling", {}), ("coat", {}), ("topping", {"g_each": 20.0})),
}
"""Everything that a form may have at once, by the kind of its vessel."""


def _vessels() -> dict[str, Vessel]:
    """Return a vessel of each kind that something is made in."""
    found = (vessel_from(record) for _, _, record in VESSELS if record["kind"] != "box")
    return {kind_of(vessel): vessel for vessel in found}


def _large(recipe: Recipe) -> Recipe:
    """Return a recipe of 3 kg."""
    return recipe.with_amounts_g([line.amount_g * 3000 / recipe.mass_g for line in recipe.lines])


STAGES: Final = (
    "",
    "warm",
    "boil",
    "melt",
    "pour-over",
    "stir-in-cool",
    "fold-in",
    "late",
    "butter",
    "early",
    "alcohol-flame",
)
"""When lines go in, as far as acts tell them apart."""


def _with_everything(recipe: Recipe) -> Recipe:
    """Return a recipe with a little more at every stage that lines have: butter, liqueur, nuts, vanilla."""
    more = [
        Line(ingredient=find(key), amount=20.0, stage=stage)
        for stage in STAGES
        for key in ("butter82", "liqueur25", "hazelnut_whole", "vanilla_extract")
    ]
    return checked_recipe(
        name=recipe.name, family=recipe.family, use=recipe.use, lines=[*recipe.lines, *more], method=recipe.method
    )


def _in_forms(recipe: Recipe) -> Iterator[tuple[str, dict[str, str]]]:
    """Yield how a form is made of one mix alone, in a shell where the form has one; a pan whole and cut."""
    mixed = {"pan": "layer", "mould": "filling", "cup": "filling", "cake": "filling"}
    for kind, vessel in _vessels().items():
        parts = [Part(role=mixed.get(kind, "centre"), of=recipe)]  # type: ignore[arg-type]
        if kind in ("mould", "cup"):
            parts.insert(0, Part(role="shell", of=find("dark60")))
        if kind == "cake":
            parts.insert(0, Part(role="centre", of=find("milk38")))
        for cut in ({}, {"pieces": 24}) if kind == "pan" else ({},):
            asked = Confection(name=kind, form=Form(vessel=vessel, **cut), parts=tuple(parts))
            worked = _or_why(work_out, asked, KITCHEN)
            if not isinstance(worked, str):
                yield f"{kind} {len(cut)}", _acts(method_of_confection(worked, {}, KITCHEN))


def _piled(recipes: Mapping[str, Recipe]) -> Iterator[tuple[str, Any]]:
    """Yield how a form with everything that it may have is made, with what is on top of nuts and of chocolate."""
    mixes = [recipes["Night-sky truffles"], recipes["Perseid fudge"], starter("nut-paste", None)]
    bought = {
        "shell": find("dark60"),
        "coat": find("milk38"),
        "core": find("hazelnut_whole"),
        "rolling": find("cocoa_powder_21"),
    }
    for kind, vessel in _vessels().items():
        cut = {"pieces": 24} if kind == "pan" else {}
        for top in ("hazelnut_whole", "white32"):
            of = iter(mixes)
            parts = tuple(
                Part(role=role, of={**bought, "topping": find(top)}.get(role) or next(of), **amount)  # type: ignore[arg-type]
                for role, amount in PILED[kind]
            )
            asked = Confection(name=kind, form=Form(vessel=vessel, **cut), parts=parts)
            worked = _or_why(work_out, asked, KITCHEN)
            shown = worked if isinstance(worked, str) else _acts(method_of_confection(worked, {}, KITCHEN))
            yield f"everything in a {kind}, {top} on top", shown


def _of(part: Mapping[str, Any], recipes: Mapping[str, Recipe]) -> Any:
    if "recipe" in part:
        return recipes[part["recipe"]]
    if "ingredient" in part["of"]:
        return find(part["of"]["ingredient"])
    return Blend(parts=tuple((find(one["ingredient"]), one["parts"]) for one in part["of"]["blend"]))


def _acts(method: Method) -> dict[str, str]:
    """Return every act of a method in one line: what the pages and the order need of it, but its words."""
    return {act.id: " | ".join(_act(act)) for act in method.acts}


def _schools(recipe: Recipe) -> dict[str, dict[str, str]]:
    """Return the acts that each school makes otherwise than the usual one."""
    usual = _acts(method_of_recipe(recipe, {}, KITCHEN))
    found = {}
    for name, schools in CHOICES.items():
        for school in [*schools][1:]:
            acts = _acts(method_of_recipe(recipe, {name: school}, KITCHEN))
            found[f"{name} {school}"] = {key: words for key, words in acts.items() if usual.get(key) != words}
    return {key: acts for key, acts in found.items() if acts}


DEGREES_OFF: Final = (-12.0, -1.0, 1.0, 12.0)
"""How far from the usual a card may have it [K]."""


def _carded(recipe: Recipe) -> dict[str, str]:
    """Return what becomes of each act at whose place a card has other degrees: its target, its ceiling, and what is
    said of it."""
    found = {}
    for act in method_of_recipe(recipe, {}, KITCHEN).acts:
        for off in DEGREES_OFF if act.target_c else ():
            to_c = round(sum(act.target_c or ()) / 2 + off, 1)
            step = CardStep(text="As I do it.", to_c=to_c, place="instead", act=name_of(act))
            method = method_of_recipe(replace(recipe, steps=(step,)), {}, KITCHEN)
            one = next(one for one in method.acts if one.id == act.id)
            said = [f"{two.card_c:.4g} {two.book_c:.4g} {two.message}" for two in method.differs]
            found[f"{act.id} {to_c:g}"] = " | ".join(
                [*(f"{bound:.4g}" for bound in one.target_c or ()), f"{one.ceiling_c}", *said]
            )
    return found


def _act(act: Act) -> Iterator[str]:
    yield act.kind
    yield "hands" if act.hands else "waits"
    yield " ".join(f"{name} {count}" for name, count in sorted(act.uses.items()))
    yield " ".join(f"{one.id} {one.least_min:.3g} {one.most_min or 0:.3g}" for one in act.after)
    yield " ".join(f"{minutes:.3g}" for minutes in act.minutes)
    yield " ".join(f"{take.ingredient.label} {take.g:.4g} {take.seed_g or 0:.3g}" for take in act.takes)
    for bounds in (act.target_c, (act.ceiling_c,), (act.gate_min,), (act.soon_min,)):
        yield " ".join("" if bound is None else f"{bound:.4g}" for bound in bounds or ())
    yield " ".join((*act.cautions, *sorted(act.holds), *act.of, "out" if act.out_of_cold else ""))
    yield " ".join((str(act.mass), "in the vessel" if act.in_vessel else "", f"turn {act.turn}", act.session))
    yield " ".join(name for name in ("cue", "ask", "why", "passes", "call", "from_card") if getattr(act, name))


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
