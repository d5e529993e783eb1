"""Confections; each fit that was kept becomes one of its own, and stays.

Revision ID: 0007
Revises: 0006
"""

import json

import sqlalchemy as sa
from alembic import op

from hearth_bowl.store.migrations.fit_to_confection import FORM, confection_document

revision = "0007"
down_revision = "0006"
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Bring the tables to this revision."""
    op.create_table(
        "confection",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("document", sa.String(), nullable=False),
        sa.Column("revision", sa.Integer(), nullable=False),
        sa.Column("changed_at", sa.DateTime(), nullable=False),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_confection")),
    )
    db = op.get_bind()
    fits = db.execute(
        sa.text(
            "SELECT f.recipe_id, f.vessel_id, f.document, f.changed_at, r.name, v.kind, v.document AS vessel "
            "FROM recipe_fit f JOIN recipe r ON r.id = f.recipe_id "
            "JOIN vessel v ON v.id = f.vessel_id ORDER BY f.recipe_id"
        )
    )
    for row in fits.mappings().all():
        fit = json.loads(row["document"])
        if row["kind"] not in FORM or not fit.get("ask"):
            continue
        vessel = json.loads(row["vessel"])
        document = confection_document(fit, row["kind"], row["vessel_id"], row["recipe_id"], vessel)
        db.execute(
            sa.text(
                "INSERT INTO confection (name, document, revision, changed_at) "
                "VALUES (:name, :document, 1, :changed_at)"
            ),
            {"name": row["name"], "document": json.dumps(document), "changed_at": row["changed_at"]},
        )


def downgrade() -> None:
    """Go back to the revision before."""
    op.drop_table("confection")
