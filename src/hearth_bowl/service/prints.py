"""What is printed: a recipe's card, an occasion's order, shopping list and box card, a page of the daybook."""

from collections.abc import Iterator
from datetime import date, datetime
from typing import Final

from sqlalchemy.orm import Session

from hearth_bowl.core.boxes.assortment import oblong_mm
from hearth_bowl.core.boxes.box_card import Packed, places_in
from hearth_bowl.core.boxes.shopping import Item
from hearth_bowl.core.confection.label import DEFER, not_known_in
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.fit.vessel import Box
from hearth_bowl.core.keep.allergens import traces
from hearth_bowl.core.keep.keeping import shortest
from hearth_bowl.core.stove.step import Step
from hearth_bowl.formats.printed import Block, BoxDrawn, Curve, Heading, Printed, Rows, Text, numbered
from hearth_bowl.formats.recipe_file import ingredient_from
from hearth_bowl.formats.shopping_file import to_buy_words
from hearth_bowl.formats.vessel_file import vessel_from
from hearth_bowl.service.batches import get_run
from hearth_bowl.service.confections import get_confection, worked_of
from hearth_bowl.service.daybook import planned_and_actual
from hearth_bowl.service.occasions import get_occasion, work_out_occasion
from hearth_bowl.service.recipe_card import RecipeCard, recipe_card
from hearth_bowl.service.running_order import TaskState, get_order
from hearth_bowl.service.vessels import get_vessel

BOXES_MM: Final = 150.0
"""So high all layers of a box together are drawn, so that their legend stands on the same sheet."""
HOME_USE: Final = "An estimate for home use; where it is sold, local food rules decide."


def card_page(session: Session, recipe_id: int, now: datetime) -> Printed:
    """Return a recipe on one page.

    :raises NotFound: there is none.
    """
    card = recipe_card(session, recipe_id, now)
    sentence = ", ".join(words for words in (card.sentence.lead, card.sentence.turn) if words)
    open_marks = [" ?" if line.proposed or line.doubts else "" for line in card.lines]
    lines = tuple(
        (f"⟦{line.grams:.4g} g⟧", line.name + mark, f"about {line.spoons}" if line.spoons else "")
        for line, mark in zip(card.lines, open_marks, strict=True)
    )
    blocks: list[Block] = []
    if any(open_marks):
        blocks.append(Text("Marked with ?: not confirmed.", strong=True))
    blocks += [
        Rows((2, 5, 3), lines, bold=(0,)),
        Rows((0.6, 10), numbered([_step_words(one, card) for one in card.steps])),
    ]
    if card.as_written and not all(any(words in step.do for step in card.steps) for words in card.as_written):
        blocks += [Heading("As it was written"), *(Text(words) for words in card.as_written)]
    contains = f"Contains {', '.join(card.allergens_named)}" if card.allergens_named else "No allergens known"
    if card.not_known:
        contains += f"; incomplete, unknown for {', '.join(card.not_known)}"
    keeping = card.keeping
    keeps = f"Keeps {keeping.days_low} to {keeping.days_high} days ({keeping.where}): {keeping.because}. {HOME_USE}"
    blocks += [Text(f"{contains}.", strong=True), Text(keeps), *(Text(words) for words in card.cautions)]
    under = f"{card.family}; ⟦{card.mass_g:.0f} g⟧ in the bowl. {sentence}."
    return Printed(title=card.name, under=under, blocks=tuple(blocks))


def _step_words(step: Step, card: RecipeCard) -> str:
    """Return a step in words, with the grams that go in at it."""
    said = []
    if step.target_c is not None:
        low, high = step.target_c
        said.append(f"⟦{low:.0f} °C⟧" if high - low <= 1 else f"⟦{low:.0f} to {high:.0f} °C⟧")
    if step.minutes is not None:
        said.append(f"about {step.minutes:.0f} min")
    gate = f" ({', '.join(said)})" if said else ""
    lines = [card.lines[position] for position in step.positions]
    takes = [(line.name, line.grams) for line in lines] + [(take.name, take.g) for take in step.takes]
    goes_in = ", ".join(f"⟦{grams:.4g} g⟧ {name[:1].lower()}{name[1:]}" for name, grams in takes)
    words = (f"{step.title}{gate}.", step.do, f"Goes in: {goes_in}." if goes_in else "", step.caution)
    return " ".join(part for part in words if part)


def order_page(session: Session, occasion_id: int, at: datetime) -> Printed:
    """Return what is still to be done of an occasion, to hang up.

    :raises NotFound: there is no such occasion. :raises BadInput: it has no order yet.
    """
    asked = get_occasion(session, occasion_id).asked
    order = get_order(session, occasion_id, at)
    if order.answer is None or not order.tasks:
        raise BadInput(("order",), "nothing is planned yet", "an occasion with its running order", "missing")
    ahead = [one for one in order.tasks if one.state != "done"]
    rests = [one for one in ahead if not one.task["attended"] and one.task["job"] != "soften"]
    blocks: list[Block] = []
    for day, tasks in _by_day([one for one in ahead if one.task["attended"]]):
        cells = tuple((_clock(one.task["starts_at"]), _task_words(one, asked.wishes.cooks, rests)) for one in tasks)
        blocks += [Heading(f"{day:%A %d %B}"), Rows((1, 8), cells, bold=(0,), tick=True)]
    ready = "" if asked.ready_at is None else f"Ready by {asked.ready_at:%A %d %B, %H:%M}. "
    return Printed(title=asked.name, under=f"{ready}{asked.boxes} boxes.", blocks=tuple(blocks))


def _by_day(tasks: list[TaskState]) -> Iterator[tuple[date, list[TaskState]]]:
    days: dict[date, list[TaskState]] = {}
    for one in tasks:
        days.setdefault(datetime.fromisoformat(one.task["starts_at"]).date(), []).append(one)
    yield from days.items()


def _clock(moment: str) -> str:
    return f"{datetime.fromisoformat(moment):%H:%M}"


def _task_words(one: TaskState, cooks: int, rests: list[TaskState]) -> str:
    who = f"{(one.task['cook'] or 0) + 1}: " if cooks > 1 else ""
    after = [rest for rest in rests if any(row["id"] == one.task["id"] for row in rest.task["after"])]
    resting = "; ".join(
        f"{rest.task['title']} until {datetime.fromisoformat(rest.task['ends_at']):%a %H:%M}" for rest in after
    )
    goes_in = ((row["g"], row["name"][:1].lower() + row["name"][1:]) for row in one.task.get("takes", []))
    takes = ", ".join(f"⟦{grams:.4g} g⟧ {name}" for grams, name in goes_in)
    words = (f"{who}{one.task['title']}", f"Goes in: {takes}" if takes else "", f"Then {resting}" if resting else "")
    return ". ".join(part for part in words if part)


def shopping_page(session: Session, occasion_id: int) -> Printed:
    """Return what is to be bought for an occasion, and what is in the house.

    :raises NotFound: there is no such occasion. :raises BadInput: naming the field.
    """
    asked = get_occasion(session, occasion_id).asked
    wanted = work_out_occasion(session, asked).shopping
    buy = [item for item in wanted.items if item.buy or item.buy_g]
    there = [item for item in wanted.items if item not in buy]
    blocks: list[Block] = [
        Rows((4, 3, 3), tuple((item.name, to_buy_words(item), _needed(item)) for item in buy), bold=(1,), tick=True)
    ]
    if there:
        cells = tuple((item.name, _needed(item)) for item in there)
        blocks += [Heading("In stock"), Rows((4, 6), cells, tick=True)]
    cost = f"Together {wanted.cost:.2f}" + (" or more" if wanted.unpriced else "")
    blocks.append(Text(f"{cost}."))
    if wanted.unpriced:
        blocks.append(Text(f"No price known: {', '.join(wanted.unpriced)}.", small=True))
    return Printed(title=f"To buy: {asked.name}", under=f"For {asked.boxes} boxes.", blocks=tuple(blocks))


def _needed(item: Item) -> str:
    return f"⟦{item.needed_g:.0f} g⟧ needed" + (f", about {item.spoons}" if item.spoons else "")


def box_card_page(session: Session, occasion_id: int) -> Printed:
    """Return a card for a box: each piece named in its place as it is packed, with its allergens.

    :raises NotFound: there is no such occasion. :raises BadInput: it has no box; a piece is larger than it; an
        allergen is not known, naming it.
    """
    asked = get_occasion(session, occasion_id).asked
    if asked.box_vessel_id is None:
        raise BadInput(("box_vessel_id",), "no box is chosen", "a box by its inner measures", "missing")
    box = vessel_from(get_vessel(session, asked.box_vessel_id).vessel)
    if not isinstance(box, Box) or not asked.rows:
        raise BadInput(("rows",), "nothing is packed", "a box and what goes into it", "missing")
    worked = [worked_of(session, get_confection(session, row.confection_id).asked) for row in asked.rows]
    kinds = []
    for position, (row, one) in enumerate(zip(asked.rows, worked, strict=True)):
        unknown = not_known_in(one)
        if unknown:
            message = f"what allergens {unknown[0][1]} of {one.confection.name} holds is not known"
            raise BadInput(("rows", position), message, "its groups from the packet, or none of them", "not-known")
        long_mm, wide_mm = oblong_mm(one)
        if long_mm <= 0:
            message = f"{one.confection.name} is no piece for a box"
            raise BadInput(("rows", position), message, "pieces with a form of their own", "not-for-this")
        kinds.append(Packed(pieces=row.per_box, long_mm=long_mm, wide_mm=wide_mm))
    places = places_in(box, kinds)
    blocks: list[Block] = []
    layers = max(place.layer for place in places) + 1
    for layer in range(layers):
        if layers > 1:
            blocks.append(Heading("The lowest layer" if layer == 0 else f"Layer {layer + 1}"))
        here = tuple(place for place in places if place.layer == layer)
        blocks.append(BoxDrawn(box.length_mm, box.width_mm, BOXES_MM / layers, here))
    cells = []
    for position, (row, one) in enumerate(zip(asked.rows, worked, strict=True)):
        named = ", ".join(dict.fromkeys(found.name for found in one.allergens_named)) or "no allergens known"
        alcohol = ". Contains alcohol" if any(caution.code == "alcohol" for caution in one.cautions) else ""
        cells.append(
            (
                f"{position + 1}",
                one.confection.name,
                f"{row.per_box} {'piece' if row.per_box == 1 else 'pieces'}; {named}{alcohol}",
            )
        )
    blocks.append(Rows((0.6, 4, 6), tuple(cells), bold=(0, 1)))
    warned = traces(
        (group for one in worked for ingredient, _ in one.ingredients for group in ingredient.may_contain),
        (group for one in worked for group in one.allergens),
    )
    if warned:
        blocks.append(Text(f"May contain {', '.join(warned)}.", strong=True))
    kept = shortest([one.keeping for one in worked])
    word = "Eat" if kept.use_by else "Best"
    blocks.append(Text(f"{word} within {kept.days_low} days, kept {_kept(kept.where)}."))
    blocks.append(Text(DEFER, small=True))
    return Printed(title=asked.name, under="Where each piece goes, from above.", blocks=tuple(blocks))


def _kept(where: str) -> str:
    return {"fridge": "in the fridge", "cool": "cool"}.get(where, "dry and dark")


def batch_page(session: Session, batch_id: int, now: datetime) -> Printed:
    """Return a batch as the daybook tells it.

    :raises NotFound: there is no such batch.
    """
    run = get_run(session, batch_id)
    batch = run.batch
    blocks: list[Block] = []
    if len(batch.sketch) > 1:
        blocks.append(Curve(batch.sketch, "°C"))
    labels = [ingredient_from(line["ingredient"]).name for line in run.recipe["lines"]]
    cells = tuple(
        (f"⟦{grams:.4g} g⟧", label) for grams, label in zip(run.state.amounts_g, labels, strict=False) if grams > 0
    )
    blocks += [Heading("What went in"), Rows((2, 8), cells, bold=(0,))]
    planned = planned_and_actual(session, batch_id, now)
    if planned:
        rows = tuple((row.name, row.planned, row.actual) for row in planned)
        blocks += [Heading("As planned, and as it was"), Rows((5, 3, 3), rows, bold=(2,))]
    verdict = run.state.verdict
    blocks.append(Heading("How it turned out"))
    if verdict is not None:
        blocks.append(Text(", ".join(verdict.words) or "no words yet", strong=True))
        blocks.append(Text(verdict.text))
    else:
        blocks.append(Text("Not judged yet."))
    began = batch.started_at.astimezone()
    version = "" if batch.version is None else f", version {batch.version}"
    return Printed(title=batch.name, under=f"{began:%A %d %B %Y, %H:%M}{version}", blocks=tuple(blocks))
