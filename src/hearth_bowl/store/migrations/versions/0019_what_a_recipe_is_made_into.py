"""A confection that came with a recipe knows it: what a recipe is made into is one thing with it.

Revision ID: 0019
Revises: 0018
"""

import sqlalchemy as sa
from alembic import op

revision = "0019"
down_revision = "0018"
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Bring the tables to this revision. Confections of before stay as they are, with no recipe of their own."""
    op.add_column("confection", sa.Column("own_of", sa.Integer(), nullable=True))
    op.create_index("ix_confection_own_of", "confection", ["own_of"])


def downgrade() -> None:
    """Go back: every confection stays."""
    op.drop_index("ix_confection_own_of", "confection")
    op.drop_column("confection", "own_of")
