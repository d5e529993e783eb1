"""How migrations run: on their own engine, foreign keys off while tables are rebuilt, checked at the end."""

from pathlib import Path

from alembic import context
from sqlalchemy import text

from hearth_bowl.store.db import open_engine
from hearth_bowl.store.models import Base


def run() -> None:
    """Run the migrations asked for on the file that the caller names."""
    engine = open_engine(Path(context.config.attributes["database_path"]), foreign_keys=False)
    with engine.connect() as connection:
        context.configure(connection=connection, target_metadata=Base.metadata, render_as_batch=True)
        with context.begin_transaction():
            context.run_migrations()
        broken = connection.execute(text("PRAGMA foreign_key_check")).all()
        if broken:
            raise RuntimeError(f"the migration left rows without their parents: {broken[:3]}")
    engine.dispose()


run()
