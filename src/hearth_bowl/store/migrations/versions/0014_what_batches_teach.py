"""What batches teach, what is found of them, and their photographs.

Revision ID: 0014
Revises: 0013
"""

import json

import sqlalchemy as sa
from alembic import op

revision = "0014"
down_revision = "0013"
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Bring the tables to this revision; batches that there are can be found by their recipe's words from now on."""
    op.add_column("batch", sa.Column("family", sa.String(), nullable=False, server_default=""))
    op.add_column("batch", sa.Column("found_by", sa.String(), nullable=False, server_default=""))
    op.add_column("batch", sa.Column("sketch", sa.String(), nullable=False, server_default="[]"))
    op.add_column("batch", sa.Column("teaches", sa.Boolean(), nullable=False, server_default=sa.true()))
    op.create_index("ix_batch_found", "batch", ["started_at", "family", "verdict", "found_by"])
    op.create_table(
        "lesson",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("batch_id", sa.Integer(), nullable=False),
        sa.Column("what", sa.String(), nullable=False),
        sa.Column("predicted", sa.Double(), nullable=False),
        sa.Column("observed", sa.Double(), nullable=False),
        sa.Column("by", sa.String(), nullable=False),
        sa.Column("unit", sa.String(), nullable=False),
        sa.Column("says", sa.String(), nullable=False),
        sa.Column("at", sa.DateTime(), nullable=False),
        sa.PrimaryKeyConstraint("id", name="pk_lesson"),
        sa.ForeignKeyConstraint(["batch_id"], ["batch.id"], name="fk_lesson_batch_id_batch", ondelete="CASCADE"),
    )
    op.create_index("ix_lesson_batch_id", "lesson", ["batch_id"])
    op.create_index("ix_lesson_what_at", "lesson", ["what", "at"])
    op.create_table(
        "photograph",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("batch_id", sa.Integer(), nullable=False),
        sa.Column("at", sa.DateTime(), nullable=False),
        sa.Column("file", sa.String(), nullable=False),
        sa.Column("width_px", sa.Integer(), nullable=False),
        sa.Column("height_px", sa.Integer(), nullable=False),
        sa.PrimaryKeyConstraint("id", name="pk_photograph"),
        sa.ForeignKeyConstraint(["batch_id"], ["batch.id"], name="fk_photograph_batch_id_batch", ondelete="CASCADE"),
    )
    op.create_index("ix_photograph_batch_id", "photograph", ["batch_id"])
    connection = op.get_bind()
    rows = connection.execute(sa.text("SELECT id, name, document, verdict FROM batch")).all()
    for batch_id, name, document, verdict in rows:
        record = json.loads(document)
        words = [name, str(record.get("family", "")).replace("-", " ")]
        for line in record.get("lines", []):
            of = line.get("ingredient")
            words.append(str(of.get("name", "") if isinstance(of, dict) else of).replace("_", " "))
        words += json.loads(verdict)
        connection.execute(
            sa.text("UPDATE batch SET family = :family, found_by = :words WHERE id = :id"),
            {"family": str(record.get("family", "")), "words": "\n".join(words).casefold(), "id": batch_id},
        )


def downgrade() -> None:
    """Go back."""
    op.drop_table("photograph")
    op.drop_table("lesson")
    op.drop_index("ix_batch_found", "batch")
    for name in ("teaches", "sketch", "found_by", "family"):
        op.drop_column("batch", name)
