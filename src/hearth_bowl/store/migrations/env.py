"""How migrations run: on their own engine, foreign keys off while tables are rebuilt, checked at the end."""

from pathlib import Path

from alembic import context
from sqlalchemy import text

from hearth_bowl.store.db import open_engine
from hearth_bowl.store.models import RECIPE_WORDS, Base


def _is_mapped(name: str | None, kind: str, _parents: object) -> bool:
    """Return whether a table is compared with the models: FTS5 keeps tables of its own behind an index of words."""
    return kind != "table" or not (name or "").startswith(RECIPE_WORDS.name)


def run() -> None:
    """Run the migrations asked for on the file that the caller names."""
    engine = open_engine(Path(context.config.attributes["database_path"]), foreign_keys=False)
    with engine.connect() as connection:
        context.configure(
            connection=connection, target_metadata=Base.metadata, render_as_batch=True, include_name=_is_mapped
        )
        with context.begin_transaction():
            context.run_migrations()
        broken = connection.execute(text("PRAGMA foreign_key_check")).all()
        if broken:
            raise RuntimeError(f"the migration left rows without their parents: {broken[:3]}")
    engine.dispose()


run()
