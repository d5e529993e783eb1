"""What the demo has on its shelf: made in the days before the application is first opened."""

from collections.abc import Mapping
from datetime import UTC, datetime, timedelta
from typing import Final

from sqlalchemy.orm import Session

from hearth_bowl.service import shelf

MADE: Final = (
    ("Moonrise drink spheres", 24, 20, (("given", 2, 8), ("eaten", 1, 4))),
    ("Hill-top squares", 8, 49, (("eaten", 3, 12), ("given", 1, 16))),
    ("Night-sky drops", 30, 24, (("eaten", 24, 15), ("thrown-away", 16, 9))),
    ("Moonrock truffles", 2, 63, (("eaten", 0, 6),)),
    ("Two-sky squares", 12, 36, (("eaten", 11, 10), ("frozen", 10, 0))),
)
"""(confection, made so many days ago, pieces, what happened: what, so many days ago, pieces)."""


def load_shelf(session: Session, confection_ids: Mapping[str, int], now: datetime | None = None) -> None:
    """Put the demo's makings on the shelf."""
    moment = now or datetime.now(UTC)
    today = moment.astimezone().date()
    for name, days_ago, pieces, moves in MADE:
        making = shelf.NewMaking(
            client_key=f"demo {name}",
            confection_id=confection_ids[name],
            made_on=today - timedelta(days=days_ago),
            pieces=pieces,
        )
        making_id = shelf.add_making(session, making, moment)
        for number, (what, ago, count) in enumerate(moves):
            move = shelf.NewMove(
                client_key=f"demo {name} {number}", on_day=today - timedelta(days=ago), what=what, pieces=count
            )
            shelf.move_making(session, making_id, move, today)
