"""Boxes are an occasion, which has its moment.

Revision ID: 0011
Revises: 0010
"""

import sqlalchemy as sa
from alembic import op

revision = "0011"
down_revision = "0010"
branch_labels = None
depends_on = None

KEPT = "id, name, boxes, pot_g, box_vessel_id, revision, changed_at"
PIECE = "id, {0}_id, position, confection_id, per_box, spares, whole_moulds"


def _tables(name: str, *more: sa.Column[object]) -> None:
    op.create_table(
        name,
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        *more,
        sa.Column("boxes", sa.Integer(), nullable=False),
        sa.Column("pot_g", sa.Double(), nullable=True),
        sa.Column("box_vessel_id", sa.Integer(), nullable=True),
        sa.Column("revision", sa.Integer(), nullable=False),
        sa.Column("changed_at", sa.DateTime(), nullable=False),
        sa.CheckConstraint("boxes > 0", name=op.f(f"ck_{name}_boxes_positive")),
        sa.ForeignKeyConstraint(
            ["box_vessel_id"], ["vessel.id"], name=op.f(f"fk_{name}_box_vessel_id_vessel"), ondelete="SET NULL"
        ),
        sa.PrimaryKeyConstraint("id", name=op.f(f"pk_{name}")),
    )
    piece = f"{name}_piece"
    op.create_table(
        piece,
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column(f"{name}_id", sa.Integer(), nullable=False),
        sa.Column("position", sa.Integer(), nullable=False),
        sa.Column("confection_id", sa.Integer(), nullable=False),
        sa.Column("per_box", sa.Integer(), nullable=False),
        sa.Column("spares", sa.Integer(), nullable=False),
        sa.Column("whole_moulds", sa.Boolean(), nullable=False),
        sa.CheckConstraint("per_box > 0", name=op.f(f"ck_{piece}_per_box_positive")),
        sa.ForeignKeyConstraint(
            [f"{name}_id"], [f"{name}.id"], name=op.f(f"fk_{piece}_{name}_id_{name}"), ondelete="CASCADE"
        ),
        sa.ForeignKeyConstraint(
            ["confection_id"], ["confection.id"], name=op.f(f"fk_{piece}_confection_id_confection"), ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("id", name=op.f(f"pk_{piece}")),
    )
    op.create_index(op.f(f"ix_{piece}_{name}_id"), piece, [f"{name}_id"])


def _move(old: str, new: str) -> None:
    db = op.get_bind()
    db.execute(sa.text(f"INSERT INTO {new} ({KEPT}) SELECT {KEPT} FROM {old}"))
    columns = (PIECE.format(new), PIECE.format(old))
    db.execute(sa.text(f"INSERT INTO {new}_piece ({columns[0]}) SELECT {columns[1]} FROM {old}_piece"))
    op.drop_table(f"{old}_piece")
    op.drop_table(old)


def upgrade() -> None:
    """Bring the tables to this revision."""
    _tables("occasion", sa.Column("ready_at", sa.DateTime(), nullable=True))
    _move("assortment", "occasion")


def downgrade() -> None:
    """Go back."""
    _tables("assortment")
    _move("occasion", "assortment")
