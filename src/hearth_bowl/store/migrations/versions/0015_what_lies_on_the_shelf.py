"""What was made and lies on the shelf.

Revision ID: 0015
Revises: 0014
"""

import sqlalchemy as sa
from alembic import op

revision = "0015"
down_revision = "0014"
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Bring the tables to this revision."""
    op.create_table(
        "making",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("client_key", sa.String(), nullable=False),
        sa.Column("confection_id", sa.Integer(), nullable=True),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("made_on", sa.Date(), nullable=False),
        sa.Column("pieces", sa.Integer(), nullable=False),
        sa.Column("label", sa.String(), nullable=False),
        sa.Column("lasting", sa.String(), nullable=False),
        sa.Column("created_at", sa.DateTime(), nullable=False),
        sa.CheckConstraint("pieces > 0", name="ck_making_pieces_positive"),
        sa.PrimaryKeyConstraint("id", name="pk_making"),
        sa.UniqueConstraint("client_key", name="uq_making_client_key"),
        sa.ForeignKeyConstraint(
            ["confection_id"], ["confection.id"], name="fk_making_confection_id_confection", ondelete="SET NULL"
        ),
    )
    op.create_index("ix_making_confection_id", "making", ["confection_id"])
    op.create_table(
        "making_move",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("making_id", sa.Integer(), nullable=False),
        sa.Column("client_key", sa.String(), nullable=False),
        sa.Column("on_day", sa.Date(), nullable=False),
        sa.Column("what", sa.String(), nullable=False),
        sa.Column("pieces", sa.Integer(), nullable=False),
        sa.PrimaryKeyConstraint("id", name="pk_making_move"),
        sa.UniqueConstraint("client_key", name="uq_making_move_client_key"),
        sa.ForeignKeyConstraint(
            ["making_id"], ["making.id"], name="fk_making_move_making_id_making", ondelete="CASCADE"
        ),
    )
    op.create_index("ix_making_move_making_id", "making_move", ["making_id"])


def downgrade() -> None:
    """Go back."""
    op.drop_table("making_move")
    op.drop_table("making")
