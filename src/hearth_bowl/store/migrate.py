"""Bring a database file to the newest tables."""

from pathlib import Path

from alembic import command
from alembic.config import Config


def alembic_config(path: Path) -> Config:
    """Return alembic's configuration for a database file."""
    config = Config()
    config.set_main_option("script_location", str(Path(__file__).parent / "migrations"))
    config.attributes["database_path"] = path
    return config


def migrate(path: Path) -> None:
    """Make the file when it is missing, and run the migrations that it lacks."""
    command.upgrade(alembic_config(path), "head")
