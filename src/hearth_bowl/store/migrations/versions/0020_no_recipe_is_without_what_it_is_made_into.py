"""Every recipe gets what it is made into once: of recipes of before it is not known yet whether they have it.

Revision ID: 0020
Revises: 0019
"""

import sqlalchemy as sa
from alembic import op

revision = "0020"
down_revision = "0019"
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Bring the tables to this revision. The confections themselves are made by the application, which knows how."""
    op.add_column("recipe", sa.Column("is_made", sa.Boolean(), nullable=False, server_default=sa.false()))
    op.create_index("ix_recipe_is_made", "recipe", ["is_made"])


def downgrade() -> None:
    """Go back: the confections stay."""
    op.drop_index("ix_recipe_is_made", "recipe")
    op.drop_column("recipe", "is_made")
