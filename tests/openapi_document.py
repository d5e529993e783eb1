"""The OpenAPI description as it is kept in docs/: `python -m tests.openapi_document` writes it anew."""

import json
from pathlib import Path
from typing import Any

from hearth_bowl.api.spec import spec
from hearth_bowl.app import create_app
from hearth_bowl.paths import ROOT, WEB
from hearth_bowl.store.db import Database

KEPT = ROOT / "docs" / "openapi.json"


def served() -> dict[str, Any]:
    """Return the description that the application serves."""
    app = create_app(Database(Path("/nonexistent")), WEB)
    with app.app_context():
        return json.loads(json.dumps(spec.spec))


if __name__ == "__main__":
    KEPT.write_text(json.dumps(served(), indent=1, sort_keys=True, ensure_ascii=False) + "\n")
