"""The demo's season: a simulated kitchen's batches before the open evening. `python -m tests.demo_season` keeps it
anew.

The kitchen: a fridge a quarter slower than the book, an oven that gives less than it is marked for, a ring that boils
down slowly, a dark chocolate firmer than its kind; one batch of cheese centres was left out and spoiled.
"""

import json
from dataclasses import dataclass, field
from datetime import UTC, datetime, timedelta
from math import exp, sqrt
from pathlib import Path
from random import Random
from tempfile import TemporaryDirectory
from typing import Any, Final

from sqlalchemy import select
from sqlalchemy.orm import Session

from hearth_bowl.core.cooling.set_ask import SetAsk, check_set_ask, usual_set_ask
from hearth_bowl.core.cooling.set_body import cool_s
from hearth_bowl.core.mass.thermal import heat_capacity_j_per_kgk
from hearth_bowl.core.stove.bursts import burst_kind, taken_up
from hearth_bowl.core.stove.events import (
    BurstGiven,
    Ended,
    GateAnswered,
    Happening,
    Judgement,
    SetSeen,
    SetStarted,
    StepBegun,
    Weighed,
    Yielded,
)
from hearth_bowl.core.stove.step import Step
from hearth_bowl.demo import load
from hearth_bowl.demo.season import CONFECTION_OF, PROBE, SEASON_FILE
from hearth_bowl.service import batches
from hearth_bowl.service.batch_events import Event, add_events
from hearth_bowl.service.learned import batch_seen
from hearth_bowl.store.db import Database
from hearth_bowl.store.migrate import migrate
from hearth_bowl.store.models import BatchEventRow, BatchRow, ConfectionRow, LessonRow, ReadingRow, RecipeRow

OVEN_W: Final = 850.0
FRIDGE, OVEN, BOIL, HANDS, LOSS = 1.27, 1.3, 1.2, 1.25, 1.6
EVERY_S: Final = 20


@dataclass(frozen=True)
class Row:
    """A batch of the season: when, what, how it turned out; `boil_c` is what the boil was ended by, off its target."""

    at: str
    recipe: str
    words: tuple[str, ...]
    text: str = ""
    choices: dict[str, str] = field(default_factory=dict)
    boil_k: float = 0.0
    weighed: dict[int, float] = field(default_factory=dict)
    later: tuple[str, ...] = ()
    yields: bool = False
    """Weighed when it was done, made for the confection that it goes into."""
    skips: str = ""


T, W, H, E, F, L, C, U, A, P = (
    "Night-sky truffles", "White-dome piping ganache", "Hill-top fudge squares", "Eyepiece hazelnut paste",
    "First-light milk filling", "Late-watch coffee centres", "Cloud-cover cheese centres", "Running-sun fondant",
    "Altocumulus whip", "Perseid fudge",
)  # fmt: skip
ROWS: Final = (
    Row("2026-01-17T14:05", T, ("too firm", "glossy"), "Hard on the teeth after a night. Next time a little less"
        " dark."),
    Row("2026-01-24T15:20", P, ("too soft", "smooth"), "Stayed like a thick cream in the middle.", boil_k=-2.6),
    Row("2026-01-31T14:40", W, ("just right", "silky"), "Piped well for a quarter of an hour."),
    Row("2026-02-07T15:10", T, ("too firm", "snaps"), "Cracks when rolled from the fridge.", yields=True),
    Row("2026-02-14T14:25", H, ("just right", "cut clean"), "Clean cuts with a warm knife.", yields=True),
    Row("2026-02-21T16:00", P, ("just right", "smooth", "cut clean"), "Boiled to the end this time.", boil_k=0.3),
    Row("2026-02-28T14:10", E, ("smooth", "just right"), "Rolls best after an hour in the cool."),
    Row("2026-03-07T15:30", T, ("just right", "glossy"), "Twenty grams less dark: rolls as it should.",
        weighed={2: 368.0}, later=("just right", "kept well")),
    Row("2026-03-14T14:45", F, ("just right", "let go"), "Shells let go by themselves.", yields=True),
    Row("2026-03-21T15:05", P, ("grainy",), "Sandy. The sugar was not all dissolved, I think.", skips="dissolve"),
    Row("2026-03-28T14:30", A, ("smooth",), "Rested a night, whipped for two minutes."),
    Row("2026-04-04T15:15", L, ("too firm", "let go"), "A bit stiff for a filling.", yields=True),
    Row("2026-04-11T14:20", H, ("smeared", "sticky"), "Cut too warm, it was still at room warmth.",
        choices={"heat": "microwave"}),
    Row("2026-04-18T15:40", C, ("spoiled",), "Left on the counter overnight. Thrown away."),
    Row("2026-04-25T14:35", T, ("too firm", "silky"), "Good with late butter.", later=("too firm", "dried out")),
    Row("2026-05-02T15:25", P, ("crumbly", "too firm"), "Forgot it on the ring while the telephone rang.", boil_k=3.1),
    Row("2026-05-09T14:15", W, ("too soft",), "The lemon was a large one.", weighed={3: 22.0}),
    Row("2026-05-16T15:00", U, ("smooth", "just right"), "Ran after eleven days."),
    Row("2026-05-23T14:50", H, ("just right", "cut clean"), "From the fridge, wiped blade.",
        choices={"heat": "microwave"}, yields=True),
    Row("2026-05-30T15:35", C, ("just right",), "In the fridge all the time.", later=("kept well",)),
    Row("2026-06-06T14:05", P, ("just right", "cut clean", "smooth"), "Ended by the thermometer.", boil_k=0.4),
    Row("2026-06-13T15:45", F, ("just right", "glossy", "let go"), "", yields=True, later=("just right", "leaked")),
    Row("2026-06-20T14:30", T, ("just right",), "Thirty grams less dark, for the midsummer talk.", weighed={2: 360.0}),
    Row("2026-06-27T15:10", E, ("oily", "too soft"), "Warm day, the paste sweated."),
    Row("2026-07-04T14:40", L, ("just right", "snaps"), "Good with the cones.", yields=True),
    Row("2026-07-18T15:20", H, ("just right", "cut clean"), "Trial for the open evening.",
        choices={"heat": "microwave"}, yields=True),
)  # fmt: skip


class Played:
    """One batch, played step by step."""

    def __init__(self, session: Session, row: Row, chance: Random) -> None:
        self.session, self.row, self.chance = session, row, chance
        self.start = datetime.fromisoformat(row.at).replace(tzinfo=UTC)
        recipe = session.scalar(select(RecipeRow).where(RecipeRow.name == row.recipe))
        assert recipe is not None
        into = None
        if row.yields:
            into = session.scalar(select(ConfectionRow.id).where(ConfectionRow.name == CONFECTION_OF[row.recipe]))
        self.run = batches.start_batch(
            session, recipe.id, self.start, version=1, choices=row.choices, probe_id=PROBE, confection_id=into
        )
        self.batch = self.run.batch.id
        self.c, self.at_s, self.keys = 21.0, 0.0, 0
        self.readings: list[tuple[float, float]] = []
        self.is_in = True
        """Whether the probe is in: it comes out when the mix is put to set."""

    def tell(self, what: Happening, at_s: float | None = None) -> None:
        at = self.start + timedelta(seconds=self.at_s if at_s is None else at_s)
        self.keys += 1
        event = Event(client_key=f"s{self.keys}", at=at, what=what)
        add_events(self.session, self.batch, [event], at + timedelta(days=40))

    def play(self) -> None:
        steps = self.run.steps
        for number, step in enumerate(steps):
            if number:
                self.tell(StepBegun(step=number, key=step.key, c=round(self.c, 1)))
            for position in step.positions:
                grams = self.row.weighed.get(position, round(self.run.amounts_g[position], 0))
                if self.run.amounts_g[position] >= 2:
                    self.tell(Weighed(position=position, g=grams, step=step.key), self.at_s + 5)
            if step.ask or step.cue:
                answer = "skipped" if step.key == self.row.skips else "yes"
                self.tell(GateAnswered(key=step.key, gate="ask" if step.ask else "cue", answer=answer))
            if step.key == "set":
                self._set()
                self.is_in = False
            else:
                self._work(step)
        end_s = self.at_s
        if self.row.yields:
            self._yield()
        self.tell(Judgement(words=self.row.words, text=self.row.text), end_s + 60)
        self.tell(Ended(), end_s + 120)
        if self.row.later:
            self.tell(Judgement(words=self.row.later, text=self.row.text), end_s + 4 * 86_400)

    def _work(self, step: Step) -> None:
        low, high = step.usual_min or (4.0, 8.0)
        factor = BOIL if step.heat == "boil" else HANDS if step.heat == "none" else 1.0
        minutes = sqrt(low * high) * factor * exp(self.chance.gauss(0, 0.1))
        goal = None if step.target_c is None else sum(step.target_c) / 2
        if step.heat == "boil" and goal is not None:
            goal += self.row.boil_k
            minutes *= 1 + 0.08 * self.row.boil_k
        if step.heat == "melt" and self.row.choices.get("heat") == "microwave":
            self._bursts()
        begun, since_c = self.at_s, self.c
        for second in range(0, int(60 * minutes), EVERY_S):
            share = second / (60 * minutes)
            if goal is not None:
                self.c = since_c + (goal - since_c) * (1 - (1 - share) ** 2)
            if self.is_in:
                self.readings.append((begun + second, self.c + self.chance.gauss(0, 0.15)))
        if goal is not None and self.is_in:
            self.c = goal
            self.readings.append((begun + 60 * minutes, goal))
        self.at_s += 60 * minutes

    def _bursts(self) -> None:
        row = self.session.get(BatchRow, self.batch)
        assert row is not None
        seen = batch_seen(self.session, row)
        mass_g = seen.recipe.mass_g
        eta = taken_up(burst_kind(seen.recipe, seen.mixture), mass_g)
        cp, warm = heat_capacity_j_per_kgk(seen.mixture), 21.0
        for number in range(4):
            seconds = 25.0
            self.tell(
                BurstGiven(seconds=seconds, first=number == 0, rated_w=OVEN_W, from_c=round(warm, 1)),
                self.at_s + 40 * number,
            )
            warm += seconds * eta * OVEN_W / (mass_g / 1000 * cp) / OVEN * exp(self.chance.gauss(0, 0.06))

    def _set(self) -> None:
        row = self.session.get(BatchRow, self.batch)
        assert row is not None
        seen = batch_seen(self.session, row)
        ask: SetAsk = usual_set_ask(seen.recipe.use)
        self.tell(SetStarted(start=ask))
        ambient_c = check_set_ask(ask)
        now_c = ambient_c + 10 + self.chance.uniform(0, 4)
        took_s = cool_s(seen.mixture, ask, now_c, ambient_c) * FRIDGE * exp(self.chance.gauss(0, 0.09))
        if self.chance.random() < 0.75:
            self.tell(SetSeen(after_s=took_s, state=ask.state, now_c=round(now_c, 1)), self.at_s + took_s)
        self.at_s += took_s + 1800

    def _yield(self) -> None:
        row = self.session.get(BatchRow, self.batch)
        assert row is not None
        seen = batch_seen(self.session, row)
        made, forecast = seen.mixture.mass_g, seen.forecast
        lost = (forecast.loss_g or 0.0) * LOSS * exp(self.chance.gauss(0, 0.15))
        shell = forecast.shell_each_g and round(forecast.shell_each_g * 1.12 * exp(self.chance.gauss(0, 0.06)), 1)
        self.tell(Yielded(made_g=round(made, 0), filled_g=round(made - lost, 0), shell_each_g=shell))


def season() -> list[dict[str, Any]]:
    """Return the season's batches as they are kept."""
    chance = Random(2026)
    with TemporaryDirectory() as folder:
        path = Path(folder) / "demo.db"
        migrate(path)
        database = Database(path)
        load.load_demo(database, with_season=False)
        found = []
        with database.writing() as session:
            for row in ROWS:
                played = Played(session, row, chance)
                played.play()
                found.append(_kept(session, played))
        database.close()
    return found


def _kept(session: Session, played: Played) -> dict[str, Any]:
    row = session.get(BatchRow, played.batch)
    assert row is not None and row.ended_at is not None
    shown = [(at, round(c + 0.4, 1)) for at, c in played.readings]
    for at, c in shown:
        session.add(ReadingRow(probe_id=PROBE, at=played.start + timedelta(seconds=at), shown_c=c))
    session.flush()
    thin = shown[:: max(1, len(shown) // 60)]
    events = session.scalars(
        select(BatchEventRow).where(BatchEventRow.batch_id == row.id).order_by(BatchEventRow.at, BatchEventRow.id)
    )
    lessons = session.scalars(select(LessonRow).where(LessonRow.batch_id == row.id).order_by(LessonRow.id))
    return {
        "recipe": row.name,
        "is_for": CONFECTION_OF[row.name] if played.row.yields else None,
        "started_at": row.started_at.isoformat(),
        "ended_s": round((row.ended_at - row.started_at).total_seconds(), 1),
        "choices": json.loads(row.choices),
        "verdict": json.loads(row.verdict),
        "found_by": row.found_by,
        "events": [
            [round((event.at - row.started_at).total_seconds(), 1), event.kind, json.loads(event.data)]
            for event in events
        ],
        "readings": [[round(at, 1), c] for at, c in thin],
        "lessons": [
            {name: getattr(lesson, name) for name in ("what", "predicted", "observed", "by", "unit", "says")}
            for lesson in lessons
        ],
    }


if __name__ == "__main__":
    SEASON_FILE.write_text(
        json.dumps(season(), ensure_ascii=False, separators=(",", ":")).replace('},{"recipe"', '},\n{"recipe"') + "\n"
    )
