"""Load the demo's data into an empty database."""

from datetime import UTC, datetime
from typing import Final

from hearth_bowl.demo.larder import LARDER
from hearth_bowl.demo.recipes import RECIPES
from hearth_bowl.demo.vessels import VESSELS
from hearth_bowl.service import larder, recipes, vessels
from hearth_bowl.service.settings import Settings, save_settings
from hearth_bowl.store.db import Database

MADE_AT: Final = datetime(2026, 8, 1, 17, 30, tzinfo=UTC)
KITCHEN: Final = Settings(kitchen_c=21.0, altitude_m=340.0)


def load_demo(database: Database) -> bool:
    """Load the demo's data when there is no recipe yet; return whether it did. All or nothing."""
    with database.writing() as session:
        if recipes.list_recipes(session):
            return False
        for record in RECIPES:
            stored = recipes.create_recipe(session, record, MADE_AT)
            recipes.keep_version(session, stored.id, "As first made", MADE_AT)
        for name, vessel in VESSELS:
            vessels.create_vessel(session, name, vessel)
        for label, pack_g, price, there_g in LARDER:
            larder.save_item(session, label=label, pack_g=pack_g, price=price, in_house_g=there_g)
        save_settings(session, KITCHEN)
    return True
