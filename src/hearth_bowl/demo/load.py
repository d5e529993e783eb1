"""Load the demo's data into an empty database."""

import json
from collections.abc import Mapping
from datetime import UTC, datetime
from pathlib import Path
from typing import Any, Final

from sqlalchemy import update
from sqlalchemy.orm import Session

from hearth_bowl.core.confection.confection import Extra
from hearth_bowl.core.fit.ask import ask_for
from hearth_bowl.demo.confections import CONFECTIONS
from hearth_bowl.demo.larder import LARDER
from hearth_bowl.demo.occasion import BOX, BOXES, FITS, OTHER_PACKS, PIECES, POT_G, READY_AT, SEEN_UNTIL, WISHES
from hearth_bowl.demo.recipes import RECIPES
from hearth_bowl.demo.season import SEASON_FILE, load_season
from hearth_bowl.demo.shelf import load_shelf
from hearth_bowl.demo.vessels import VESSELS
from hearth_bowl.formats.occasion_file import PlanAnswer
from hearth_bowl.service import confections, fit, larder, occasions, recipes, running_order, vessels
from hearth_bowl.service.settings import Settings, save_settings
from hearth_bowl.store.db import Database
from hearth_bowl.store.models import OccasionHappeningRow, RecipeRow

ORDER: Final = Path(__file__).parent / "order.json"
"""The order of the open evening as the planner gave it: kept, so that the demo begins at once."""
MADE_AT: Final = datetime(2026, 8, 1, 17, 30, tzinfo=UTC)
KITCHEN: Final = Settings(kitchen_c=21.0, altitude_m=340.0)


def load_demo(database: Database, with_season: bool = True) -> bool:
    """Load the demo's data when there is no recipe yet; return whether it did. All or nothing.

    :param with_season: with the batches that were made before, and what lies on the shelf.
    """
    with database.writing() as session:
        if recipes.recipe_names(session):
            return False
        recipe_ids, vessel_ids = {}, {}
        kinds = {name: vessel["kind"] for name, _, vessel in VESSELS}
        for record in RECIPES:
            stored = recipes.create_recipe(session, record, MADE_AT)
            recipes.keep_version(session, stored.id, "As first made", MADE_AT)
            recipe_ids[record["name"]] = stored.id
        session.execute(update(RecipeRow).values(is_made=True))  # the demo says itself what is made of what
        for name, owned, vessel in VESSELS:
            vessel_ids[name] = vessels.create_vessel(session, name, vessel, owned).id
        for label, pack_g, price, there_g in LARDER:
            larder.save_item(
                session, label=label, pack_g=pack_g, price=price, in_house_g=there_g, other_packs=OTHER_PACKS.get(label)
            )
        save_settings(session, KITCHEN)
        for name, vessel_name, ask in FITS:
            kept = fit.KeptFit(vessel_id=vessel_ids[vessel_name], ask=ask_for(kinds[vessel_name], ask))
            fit.keep_fit(session, recipe_ids[name], kept, MADE_AT)
        confection_ids = {
            row["name"]: confections.create_confection(session, _confection(row, recipe_ids, vessel_ids), MADE_AT).id
            for row in CONFECTIONS
        }
        rows = tuple(
            occasions.PieceAsk(confection_id=confection_ids[name], per_box=per_box, spares=spares)
            for name, per_box, spares in PIECES
        )
        asked = occasions.OccasionAsk(
            name="Open evening",
            ready_at=READY_AT,
            boxes=BOXES,
            pot_g=POT_G,
            box_vessel_id=vessel_ids[BOX],
            rows=rows,
            wishes=WISHES,
        )
        occasion = occasions.create_occasion(session, asked, MADE_AT)
        if with_season and SEASON_FILE.exists():
            load_season(session, recipe_ids, confection_ids)
            load_shelf(session, confection_ids)
        if ORDER.exists():
            _follow(session, occasion.id, json.loads(ORDER.read_text()))
    return True


def _follow(session: Session, occasion_id: int, answer: PlanAnswer) -> None:
    """Take the order that was planned for the open evening, and what of it is done: half of it."""
    running_order.keep_order(session, occasion_id, answer, datetime(2026, 8, 10, 9, 0))
    for task in answer["tasks"]:
        starts_at, ends_at = datetime.fromisoformat(task["starts_at"]), datetime.fromisoformat(task["ends_at"])
        if ends_at <= SEEN_UNTIL:
            session.add(
                OccasionHappeningRow(occasion_id=occasion_id, task=task["id"], starts_at=starts_at, ends_at=ends_at)
            )
        elif starts_at < SEEN_UNTIL:
            session.add(
                OccasionHappeningRow(occasion_id=occasion_id, task=task["id"], starts_at=starts_at, ends_at=None)
            )
    session.flush()


def _confection(
    row: Mapping[str, Any], recipe_ids: Mapping[str, int], vessel_ids: Mapping[str, int]
) -> confections.ConfectionAsk:
    parts = []
    for part in row["parts"]:
        said = {name: value for name, value in part.items() if name not in ("recipe", "of")}
        of = {"recipe_id": recipe_ids[part["recipe"]]} if "recipe" in part else part["of"]
        parts.append({**said, "of": of})
    extras = tuple(Extra(name=name, each=each) for name, each in row.get("extras", ()))
    form = {"vessel": vessel_ids[row["vessel"]], **row["form"]}
    return confections.asked_from({"name": row["name"], "form": form, "parts": parts}, extras)
