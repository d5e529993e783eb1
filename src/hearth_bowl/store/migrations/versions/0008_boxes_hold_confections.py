"""Boxes hold confections: each kind of piece in them becomes one, or is one that was there already.

Revision ID: 0008
Revises: 0007
"""

import json

import sqlalchemy as sa
from alembic import op

from hearth_bowl.store.migrations.fit_to_confection import confection_document

revision = "0008"
down_revision = "0007"
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Bring the tables to this revision."""
    db = op.get_bind()
    pieces = db.execute(
        sa.text(
            "SELECT p.id, p.recipe_id, p.vessel_id, p.ask, a.changed_at, r.name, v.kind, v.document AS vessel "
            "FROM assortment_piece p JOIN assortment a ON a.id = p.assortment_id JOIN recipe r ON r.id = p.recipe_id "
            "JOIN vessel v ON v.id = p.vessel_id ORDER BY p.id"
        )
    )
    of_piece = {}
    for row in pieces.mappings().all():
        ask = {name: value for name, value in json.loads(row["ask"]).items() if name not in ("pieces", "spares")}
        vessel = json.loads(row["vessel"])
        document = json.dumps(
            confection_document({"ask": ask}, row["kind"], row["vessel_id"], row["recipe_id"], vessel)
        )
        same = {"name": row["name"], "document": document}
        there = db.execute(sa.text("SELECT id FROM confection WHERE name = :name AND document = :document"), same)
        confection_id = there.scalar()
        if confection_id is None:
            db.execute(
                sa.text(
                    "INSERT INTO confection (name, document, revision, changed_at) "
                    "VALUES (:name, :document, 1, :changed_at)"
                ),
                {**same, "changed_at": row["changed_at"]},
            )
            confection_id = db.execute(sa.text("SELECT last_insert_rowid()")).scalar()
        of_piece[row["id"]] = confection_id
    op.add_column("assortment_piece", sa.Column("confection_id", sa.Integer(), nullable=True))
    for piece_id, confection_id in of_piece.items():
        db.execute(
            sa.text("UPDATE assortment_piece SET confection_id = :confection WHERE id = :id"),
            {"confection": confection_id, "id": piece_id},
        )
    with op.batch_alter_table("assortment_piece", schema=None) as batch_op:
        batch_op.drop_constraint("fk_assortment_piece_recipe_id_recipe", type_="foreignkey")
        batch_op.drop_constraint("fk_assortment_piece_vessel_id_vessel", type_="foreignkey")
        for name in ("recipe_id", "vessel_id", "ask"):
            batch_op.drop_column(name)
        batch_op.alter_column("confection_id", existing_type=sa.Integer(), nullable=False)
        batch_op.create_foreign_key(
            op.f("fk_assortment_piece_confection_id_confection"),
            "confection",
            ["confection_id"],
            ["id"],
            ondelete="CASCADE",
        )


def downgrade() -> None:
    """Take it back: a kind of piece is the first recipe of its confection in its vessel, with its shell or coat."""
    db = op.get_bind()
    for name in ("recipe_id", "vessel_id"):
        op.add_column("assortment_piece", sa.Column(name, sa.Integer(), nullable=True))
    op.add_column("assortment_piece", sa.Column("ask", sa.String(), nullable=False, server_default="{}"))
    pieces = db.execute(
        sa.text(
            "SELECT p.id, c.document FROM assortment_piece p JOIN confection c ON c.id = p.confection_id ORDER BY p.id"
        )
    )
    for row in pieces.mappings().all():
        document = json.loads(row["document"])
        of = [part["of"] for part in document["parts"]]
        recipe_id = next((one["recipe_id"] for one in of if one.get("recipe_id") is not None), None)
        vessel_id = document["form"]["vessel"]
        kind = db.execute(sa.text("SELECT kind FROM vessel WHERE id = :id"), {"id": vessel_id}).scalar()
        there = db.execute(sa.text("SELECT id FROM recipe WHERE id = :id"), {"id": recipe_id}).scalar()
        if kind is None or there is None:
            db.execute(sa.text("DELETE FROM assortment_piece WHERE id = :id"), {"id": row["id"]})
            continue
        round_it: dict[str, object] = next(
            (part["of"] for part in document["parts"] if part["role"] in ("shell", "coat")), {}
        )
        ask = {"kind": kind, "shell": round_it.get("ingredient") or "none"}
        if kind == "mould":
            ask["halves"] = bool(document["form"].get("halves"))
        db.execute(
            sa.text("UPDATE assortment_piece SET recipe_id = :recipe, vessel_id = :vessel, ask = :ask WHERE id = :id"),
            {"recipe": recipe_id, "vessel": vessel_id, "ask": json.dumps(ask), "id": row["id"]},
        )
    with op.batch_alter_table("assortment_piece", schema=None) as batch_op:
        batch_op.drop_constraint("fk_assortment_piece_confection_id_confection", type_="foreignkey")
        batch_op.drop_column("confection_id")
        for name in ("recipe", "vessel"):
            batch_op.alter_column(f"{name}_id", existing_type=sa.Integer(), nullable=False)
            batch_op.create_foreign_key(
                op.f(f"fk_assortment_piece_{name}_id_{name}"), name, [f"{name}_id"], ["id"], ondelete="CASCADE"
            )
        batch_op.alter_column("ask", existing_type=sa.String(), nullable=False, server_default=None)
