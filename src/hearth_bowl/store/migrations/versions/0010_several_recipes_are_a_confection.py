"""A fit is of one recipe; where several were laid in one vessel, they are a confection, and that is where they are now.

Revision ID: 0010
Revises: 0009
"""

import json

import sqlalchemy as sa
from alembic import op

from hearth_bowl.store.migrations.fit_to_confection import FORM, confection_document

revision = "0010"
down_revision = "0009"
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Bring the data to this revision; what is a confection already is not made once more."""
    db = op.get_bind()
    fits = db.execute(
        sa.text(
            "SELECT f.recipe_id, f.vessel_id, f.document, f.changed_at, r.name, v.kind, v.document AS vessel "
            "FROM recipe_fit f JOIN recipe r ON r.id = f.recipe_id "
            "LEFT JOIN vessel v ON v.id = f.vessel_id ORDER BY f.recipe_id"
        )
    )
    there = [json.loads(text) for text in db.execute(sa.text("SELECT document FROM confection")).scalars()]
    for row in fits.mappings().all():
        fit = json.loads(row["document"])
        laid = fit.get("layers", []) if row["kind"] == "pan" else fit.get("fillings", [])
        if laid and row["kind"] in FORM and fit.get("ask"):
            vessel = json.loads(row["vessel"])
            document = confection_document(fit, row["kind"], row["vessel_id"], row["recipe_id"], vessel)
            if not any(_same(document, other) for other in there):
                db.execute(
                    sa.text(
                        "INSERT INTO confection (name, document, revision, changed_at) "
                        "VALUES (:name, :document, 1, :changed_at)"
                    ),
                    {"name": row["name"], "document": json.dumps(document), "changed_at": row["changed_at"]},
                )
        db.execute(
            sa.text("UPDATE recipe_fit SET document = :document WHERE recipe_id = :recipe_id"),
            {"document": json.dumps({"ask": fit.get("ask")}), "recipe_id": row["recipe_id"]},
        )


def _same(document: dict[str, object], other: dict[str, object]) -> bool:
    """Return whether another document says all that this one says, whatever else it spells out."""
    return all(_says(other.get(name), value) for name, value in document.items())


def _says(other: object, value: object) -> bool:
    if isinstance(value, dict):
        return isinstance(other, dict) and _same(value, other)
    if isinstance(value, list):
        return isinstance(other, list) and len(other) == len(value) and all(map(_says, other, value))
    return other == value


def downgrade() -> None:
    """Go back: a fit of one recipe has no layers and no fillings beside it."""
    db = op.get_bind()
    for recipe_id, text in db.execute(sa.text("SELECT recipe_id, document FROM recipe_fit")).all():
        document = {**json.loads(text), "total_mm": None, "layers": [], "fillings": []}
        db.execute(
            sa.text("UPDATE recipe_fit SET document = :document WHERE recipe_id = :recipe_id"),
            {"document": json.dumps(document), "recipe_id": recipe_id},
        )
