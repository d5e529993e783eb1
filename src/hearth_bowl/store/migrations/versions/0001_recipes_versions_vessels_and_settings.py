"""Recipes, versions, vessels and settings"""

import sqlalchemy as sa
from alembic import op

revision = "0001"
down_revision = None
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Make the tables what this revision wants."""
    op.create_table(
        "recipe",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("family", sa.String(), nullable=False),
        sa.Column("use", sa.String(), nullable=True),
        sa.Column("steps", sa.String(), nullable=False),
        sa.Column("revision", sa.Integer(), nullable=False),
        sa.Column("created_at", sa.DateTime(), nullable=False),
        sa.Column("changed_at", sa.DateTime(), nullable=False),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_recipe")),
    )
    op.create_table(
        "settings",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("mass_unit", sa.String(), nullable=False),
        sa.Column("temperature_unit", sa.String(), nullable=False),
        sa.Column("measure", sa.String(), nullable=False),
        sa.Column("kitchen_c", sa.Double(), nullable=False),
        sa.Column("altitude_m", sa.Double(), nullable=False),
        sa.CheckConstraint("id = 1", name=op.f("ck_settings_one_row")),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_settings")),
    )
    op.create_table(
        "vessel",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("kind", sa.String(), nullable=False),
        sa.Column("document", sa.String(), nullable=False),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_vessel")),
    )
    op.create_table(
        "recipe_line",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("recipe_id", sa.Integer(), nullable=False),
        sa.Column("position", sa.Integer(), nullable=False),
        sa.Column("ingredient_key", sa.String(), nullable=True),
        sa.Column("own_ingredient", sa.String(), nullable=True),
        sa.Column("amount", sa.Double(), nullable=False),
        sa.Column("amount_high", sa.Double(), nullable=True),
        sa.Column("unit", sa.String(), nullable=False),
        sa.Column("measure", sa.String(), nullable=False),
        sa.Column("stage", sa.String(), nullable=False),
        sa.Column("pinned", sa.Boolean(), nullable=False),
        sa.Column("pack_g", sa.Double(), nullable=True),
        sa.Column("piece_g", sa.Double(), nullable=True),
        sa.CheckConstraint(
            "(ingredient_key IS NULL) <> (own_ingredient IS NULL)", name=op.f("ck_recipe_line_one_ingredient")
        ),
        sa.CheckConstraint("amount >= 0", name=op.f("ck_recipe_line_amount_not_negative")),
        sa.ForeignKeyConstraint(
            ["recipe_id"], ["recipe.id"], name=op.f("fk_recipe_line_recipe_id_recipe"), ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_recipe_line")),
        sa.UniqueConstraint("recipe_id", "position", name=op.f("uq_recipe_line_recipe_id")),
    )
    with op.batch_alter_table("recipe_line", schema=None) as batch_op:
        batch_op.create_index(batch_op.f("ix_recipe_line_recipe_id"), ["recipe_id"], unique=False)

    op.create_table(
        "recipe_version",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("recipe_id", sa.Integer(), nullable=False),
        sa.Column("number", sa.Integer(), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("document", sa.String(), nullable=False),
        sa.Column("compositions", sa.String(), nullable=False),
        sa.Column("kept_at", sa.DateTime(), nullable=False),
        sa.ForeignKeyConstraint(
            ["recipe_id"], ["recipe.id"], name=op.f("fk_recipe_version_recipe_id_recipe"), ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_recipe_version")),
        sa.UniqueConstraint("recipe_id", "number", name=op.f("uq_recipe_version_recipe_id")),
    )
    with op.batch_alter_table("recipe_version", schema=None) as batch_op:
        batch_op.create_index(batch_op.f("ix_recipe_version_recipe_id"), ["recipe_id"], unique=False)

    op.execute(
        "CREATE TRIGGER recipe_version_never_changes BEFORE UPDATE ON recipe_version "
        "BEGIN SELECT RAISE(ABORT, 'a kept version never changes'); END"
    )


def downgrade() -> None:
    """Take it back."""
    op.execute("DROP TRIGGER recipe_version_never_changes")
    with op.batch_alter_table("recipe_version", schema=None) as batch_op:
        batch_op.drop_index(batch_op.f("ix_recipe_version_recipe_id"))

    op.drop_table("recipe_version")
    with op.batch_alter_table("recipe_line", schema=None) as batch_op:
        batch_op.drop_index(batch_op.f("ix_recipe_line_recipe_id"))

    op.drop_table("recipe_line")
    op.drop_table("vessel")
    op.drop_table("settings")
    op.drop_table("recipe")
