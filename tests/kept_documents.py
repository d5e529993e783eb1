"""What is written from the code and kept in docs/: `python -m tests.kept_documents` writes it anew."""

import json
from pathlib import Path
from typing import Any

from hearth_bowl.api.spec import spec
from hearth_bowl.app import create_app
from hearth_bowl.formats.schemas import recipe_schema, vessel_schema
from hearth_bowl.paths import ROOT, WEB
from hearth_bowl.store.db import Database

DOCS = ROOT / "docs"


def served_description() -> Any:
    """Return the OpenAPI description that the application serves."""
    app = create_app(Database(Path("/nonexistent")), WEB)
    with app.app_context():
        return spec.spec


DOCUMENTS = {
    "openapi.json": served_description,
    "recipe.schema.json": recipe_schema,
    "vessel.schema.json": vessel_schema,
}


if __name__ == "__main__":
    for name, made in DOCUMENTS.items():
        (DOCS / name).write_text(json.dumps(made(), indent=1, sort_keys=True, ensure_ascii=False) + "\n")
