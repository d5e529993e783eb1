"""Occasions for tests: the demo's confections as files, wishes at random, a check of an order that knows no solver."""

from datetime import datetime, timedelta
from functools import cache
from itertools import pairwise
from random import Random
from time import monotonic
from typing import Any

from hearth_bowl.core.plan.plan import plan_occasion
from hearth_bowl.demo.confections import CONFECTIONS
from hearth_bowl.demo.recipes import RECIPES
from hearth_bowl.demo.vessels import VESSELS
from hearth_bowl.formats.occasion_file import occasion_from, plan_answer
from hearth_bowl.formats.recipe_file import recipe_from, sparse_record
from hearth_bowl.service.moves import start_record
from hearth_bowl.solver import CpSat

NOW = "2026-08-10T09:00"
HANDED_OVER = ("pack", "soften")


@cache
def confection_record(position: int) -> dict[str, Any]:
    """Return a confection of the demo as a file, with its recipes in it."""
    row = CONFECTIONS[position]
    recipes = {record["name"]: record for record in RECIPES}
    vessels = {name: {**vessel, "name": name} for name, _, vessel in VESSELS}
    owned = {name: count for name, count, _ in VESSELS}
    parts = [
        {**{key: value for key, value in part.items() if key != "recipe"},
         "of": {"recipe": recipes[part["recipe"]]} if "recipe" in part else part["of"]}
        for part in row["parts"]
    ]  # fmt: skip
    form = {**row["form"], "vessel": vessels[row["vessel"]]}
    if vessels[row["vessel"]]["kind"] == "mould":
        form["owned"] = owned[row["vessel"]]
    return {"format": "hearth-bowl/confection", "version": 1, "name": row["name"], "form": form, "parts": parts}


def occasion_record(positions: list[int], **wishes: Any) -> dict[str, Any]:
    """Return an occasion file's content."""
    return {
        "format": "hearth-bowl/occasion",
        "version": 1,
        "name": "Open evening",
        "now": NOW,
        "ready_at": "2026-08-14T19:30",
        "confections": [{"confection": confection_record(position), "out_of_fridge_min": 30} for position in positions],
        **wishes,
    }


SMALL = (0, 4, 5, 7, 8, 9, 10, 11)
"""Confections of few jobs."""


def random_record(random: Random, most: int = 4) -> dict[str, Any]:
    """Return an occasion with wishes at random."""
    positions = random.sample(SMALL, random.randint(1, most))
    away = [["2026-08-13T09:00", "2026-08-13T17:00"]] if random.random() < 0.6 else []
    cooks = random.choice((1, 1, 2))
    if cooks == 2 and random.random() < 0.5:
        away = [*away, {"cook": 1, "from": "2026-08-12T08:00", "to": "2026-08-12T18:00"}]
    has = random.choice(({}, {"rings": 1, "pots": 1}, {"fridge_shelves": 2, "bowls": 4}, {"cool_places": 1}))
    hours = random.choice(({"from": "08:00", "to": "22:00"}, {"from": "07:30", "to": "20:00"}))
    ready = random.choice(("2026-08-13T20:00", "2026-08-14T19:30", "2026-08-15T12:00"))
    return occasion_record(positions, away=away, cooks=cooks, has=has, hours=hours, ready_at=ready)


def planned(record: dict[str, Any], effort: float = 1.0, waits: str = "slow") -> dict[str, Any]:
    """Return the answer of `plan`."""
    occasion, midnight = occasion_from(record, waits)
    return plan_answer(plan_occasion(occasion, CpSat, monotonic, effort), midnight)


def wrongs(record: dict[str, Any], answer: dict[str, Any]) -> list[str]:
    """Return what is wrong with an order: nothing, where all that the file wishes is kept."""
    tasks, at = answer["tasks"], datetime.fromisoformat
    by_id = {task["id"]: task for task in tasks}
    happened = {row["id"] for row in record.get("happened", [])}
    ahead = [task for task in tasks if task["id"] not in happened]
    starts = {task["id"]: at(task["starts_at"]) for task in tasks}
    ends = {task["id"]: at(task["ends_at"]) for task in tasks}
    found = []
    if len(by_id) != len(tasks):
        found.append("ids are not unique")
    for task in ahead:
        found += _within(record, task, starts[task["id"]], ends[task["id"]])
        for after in task["after"]:
            wait_min = (starts[task["id"]] - ends[after["id"]]).total_seconds() / 60
            if wait_min < after["least_min"]:
                found.append(f"{task['id']} is {wait_min} min after {after['id']}")
            if after["most_min"] is not None and wait_min > after["most_min"]:
                found.append(f"{task['id']} waits {wait_min} min for {after['id']}")
    for cook in range(record.get("cooks", 1)):
        found += _overlaps([task for task in tasks if task["cook"] == cook], starts, ends, f"cook {cook}")
    for place, count in record.get("has", {}).items():
        for task in tasks:
            used = sum(
                other["uses"].get(place, 0)
                for other in tasks
                if starts[other["id"]] <= starts[task["id"]] < ends[other["id"]]
            )
            if used > count:
                found.append(f"{used} {place} at {task['starts_at']}")
    found += _moulds(tasks, starts, ends)
    found += _rests(tasks)
    found += _keeping(record, tasks, ends)
    return found + _nuts(tasks, starts, ends)


def _within(record: dict[str, Any], task: dict[str, Any], start: datetime, end: datetime) -> list[str]:
    found = []
    if start < datetime.fromisoformat(record["now"]) or end > datetime.fromisoformat(record["ready_at"]):
        found.append(f"{task['id']} is not between now and ready")
    if not task["attended"]:
        return found
    hours = record.get("hours", {"from": "08:00", "to": "22:00"})
    midnight = start.replace(hour=0, minute=0)
    opens, closes = (
        midnight + timedelta(minutes=60 * int(text[:2]) + int(text[3:])) for text in (hours["from"], hours["to"])
    )
    if start < opens or end > closes:
        found.append(f"{task['id']} is out of hours: {task['starts_at']}")
    for gone in record.get("away", []):
        row = gone if isinstance(gone, dict) else {"cook": task["cook"], "from": gone[0], "to": gone[1]}
        begins, ends = datetime.fromisoformat(row["from"]), datetime.fromisoformat(row["to"])
        if row["cook"] == task["cook"] and start < ends and end > begins:
            found.append(f"{task['id']} while away: {task['starts_at']}")
    return found


def _overlaps(tasks: list[dict[str, Any]], starts: Any, ends: Any, what: str) -> list[str]:
    rows = sorted(tasks, key=lambda task: starts[task["id"]])
    return [f"{what}: {a['id']} and {b['id']}" for a, b in pairwise(rows) if starts[b["id"]] < ends[a["id"]]]


def _moulds(tasks: list[dict[str, Any]], starts: Any, ends: Any) -> list[str]:
    """A mould is held by one confection from its first to its last job in it, turn by turn."""
    held: dict[tuple[str, int, str], list[dict[str, Any]]] = {}
    for task in tasks:
        if task["vessel"] is not None:
            turn = next((part for part in task["id"].split(".")[2:] if part.isdigit()), "1")
            held.setdefault((task["vessel"], task["confection"], turn), []).append(task)
    spans = [
        (key, min(starts[task["id"]] for task in rows), max(ends[task["id"]] for task in rows))
        for key, rows in held.items()
    ]
    return [
        f"{one[0][0]} is in two confections"
        for one in spans
        for other in spans
        if one[0][0] == other[0][0] and one[0][1] < other[0][1] and one[1] < other[2] and other[1] < one[2]
    ]


_HANDLED = ("fill", "cap", "unmould", "dip", "decorate")
_BEFORE_IT = {"rest": _HANDLED, "dwell": _HANDLED, "join": ("fill", "unmould")}


def _rests(tasks: list[dict[str, Any]]) -> list[str]:
    """What rests, ripens or is joined whole comes after all that is done to any of its pieces, turn by turn too."""
    before: dict[str, set[str]] = {}
    for task in tasks:
        ids = [after["id"] for after in task["after"]]
        before[task["id"]] = {*ids, *(one for id_ in ids for one in before.get(id_, ()))}
    return [
        f"{rest['id']} does not wait for {task['id']}"
        for rest in tasks
        if rest["job"] in _BEFORE_IT and rest["id"].startswith("c")
        if rest["job"] != "rest" or rest["id"].endswith(".last")  # a mix rests too, before any of it
        for task in tasks
        if task["confection"] == rest["confection"] and task["job"] in _BEFORE_IT[rest["job"]]
        if task["id"] not in before[rest["id"]]
    ]


def _keeping(record: dict[str, Any], tasks: list[dict[str, Any]], ends: Any) -> list[str]:
    occasion, _ = occasion_from(record)
    ready = datetime.fromisoformat(record["ready_at"])
    found = []
    for position, wanted in enumerate(occasion.wanted):
        own = [task for task in tasks if task["confection"] == position and task["job"] not in (*HANDED_OVER, "wash")]
        finish = max(ends[task["id"]] for task in own)
        if finish > ready - timedelta(minutes=wanted.out_of_fridge_min):
            found.append(f"confection {position} is not ready in time")
        dwells = any(task["job"] == "dwell" for task in own)
        if not dwells and ready - finish > timedelta(days=wanted.worked.keeping.days_low):
            found.append(f"confection {position} is kept too long")
    return found


def _nuts(tasks: list[dict[str, Any]], starts: Any, ends: Any) -> list[str]:
    """No work of what is free of a nut follows work that leaves it, without a wash between."""
    found = []
    washes = [task for task in tasks if task["job"] == "wash"]
    tooled = [task for task in tasks if task["attended"] and task["job"] not in ("pack", "wash")]
    for dirty in tooled:
        for clean in tooled:
            left = set(dirty["holds"]) - set(clean["holds"])
            washed = any(
                starts[wash["id"]] >= ends[dirty["id"]] and ends[wash["id"]] <= starts[clean["id"]] for wash in washes
            )
            if left and not washed and starts[clean["id"]] >= ends[dirty["id"]]:
                found.append(f"{clean['id']} after {dirty['id']}: {sorted(left)}")
    return found


VESSELS_BY_FORM = {
    "pan": {"kind": "pan", "shape": "rectangle", "length_mm": 200, "width_mm": 200, "depth_mm": 40},
    "mould": {"kind": "mould", "shape": "hemisphere", "cavities": 24, "radius_mm": 14},
    "pieces": {"kind": "pieces", "piece_g": 12},
    "cup": {"kind": "cup", "volume_ml": 20, "count": 24},
}


def family_record(family: str, form: str) -> dict[str, Any]:
    """Return an occasion of one confection whose mass is of a family, in a form that asks much of it."""
    of = {"recipe": sparse_record(recipe_from(start_record(family, None, "dark60")))}
    dark = {"ingredient": "dark60"}
    parts = {
        "pan": [
            {"role": "layer", "of": of, "mm": 10},
            {"role": "layer", "of": of, "mm": 8},
            {"role": "coat", "of": dark, "mm": 1},
        ],
        "mould": [{"role": "shell", "of": dark}, {"role": "filling", "of": of}],
        "pieces": [
            {"role": "centre", "of": of},
            {"role": "core", "of": {"ingredient": "hazelnut_whole"}, "g_each": 1},
            {"role": "coat", "of": dark, "mm": 1},
            {"role": "rolling", "of": {"ingredient": "cocoa_powder_21"}},
            {"role": "topping", "of": {"ingredient": "white28"}, "g_each": 0.5},
        ],
        "cup": [
            {"role": "filling", "of": of},
            {"role": "topping", "of": {"ingredient": "pistachio_whole"}, "g_each": 0.5},
        ],
    }[form]
    shaped = {"vessel": {**VESSELS_BY_FORM[form], "name": form}, "pieces": 40 if form == "mould" else 20}
    confection = {"format": "hearth-bowl/confection", "version": 1, "name": family, "form": shaped, "parts": parts}
    record = occasion_record([], ready_at="2026-08-30T19:30")
    return {**record, "confections": [{"confection": confection, "out_of_fridge_min": 15}]}


def domes(name: str, pieces: int, owned: int = 1) -> dict[str, Any]:
    """Return a moulded confection of 21 cavities, all of its kind in the same mould."""
    filling = next(recipe for recipe in RECIPES if recipe["family"] == "cream-ganache")
    mould = {"kind": "mould", "shape": "hemisphere", "cavities": 21, "radius_mm": 14, "name": "Dome mould"}
    parts = [
        {"role": "shell", "of": {"ingredient": "dark60"}, "wall_mm": 2},
        {"role": "filling", "of": {"recipe": filling}},
    ]
    form = {"vessel": mould, "pieces": pieces, "owned": owned}
    return {"format": "hearth-bowl/confection", "version": 1, "name": name, "form": form, "parts": parts}


def tight_record(random: Random, most: int = 8) -> dict[str, Any]:
    """Return an occasion that has little time for what it wishes."""
    choice = [*(confection_record(position) for position in (*SMALL, 1, 3, 6)), domes("Pear domes", 42)]
    rows = [{"confection": one, "out_of_fridge_min": 30} for one in random.sample(choice, random.randint(1, most))]
    days = random.choice((12, 13, 14, 15, 16))
    has = random.choice(({}, {"rings": 1, "pots": 1}, {"fridge_shelves": 2, "bowls": 4}, {"cool_places": 1}))
    hours = random.choice(({"from": "08:00", "to": "22:00"}, {"from": "17:00", "to": "22:00"}))
    return {**occasion_record([], ready_at=f"2026-08-{days}T19:30", has=has, hours=hours), "confections": rows}


def eased(record: dict[str, Any], random: Random) -> dict[str, dict[str, Any]]:
    """Return an occasion made easier in one way each, by the name of the way: each has an order where it has one."""
    rows = record["confections"]
    turned = [*rows]
    random.shuffle(turned)
    found = {
        "permuted": {**record, "confections": turned},
        "one more of everything": {**record, "has": {name: count + 1 for name, count in record["has"].items()}},
        "one more cook": {**record, "cooks": record.get("cooks", 1) + 1},
        "a longer day": {**record, "hours": {"from": "07:00", "to": "23:00"}},
        "earlier": {**record, "now": "2026-08-09T09:00"},
    }
    if len(rows) > 1:
        gone = random.randrange(len(rows))
        found["one left out"] = {**record, "confections": [row for at, row in enumerate(rows) if at != gone]}
    return found
