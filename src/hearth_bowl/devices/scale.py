"""A stand-in scale: `python -m hearth_bowl.devices.scale --url ... 212.4 28.1` sends weights as a real one would.

Without weights it follows the running batch: what the open step weighs in next lies on its plate. Each weight is one
that was settled; it scatters by the scale's step. It goes through the same door as the probe's readings:
`POST /api/scales/ID/weights`.
"""

import argparse
import os
import random
import sys
import time
from datetime import UTC, datetime
from typing import Any

from hearth_bowl.devices.door import Door

SCALE_NAME = "stand-in-scale"
PROBE_NAME = "stand-in"
LOOK_EVERY_S = 1.5
SEND_EVERY_S = 20.0


def settled_g(true_g: float, step_g: float, gauss: float) -> float:
    """Return what a scale of that step shows of a mass."""
    return max(0.0, round((true_g + 0.3 * step_g * gauss) / step_g) * step_g)


def next_on_the_plate(run: dict[str, Any]) -> tuple[int, float] | None:
    """Return the line that a run weighs in next and its grams; None where its step has nothing left to weigh."""
    state, step = run["state"], run["steps"][run["batch"]["step"]]
    waiting = (position for position in step["positions"] if str(position) not in state["weighed_g"])
    return next(((position, state["amounts_g"][position]) for position in waiting), None)


def send(door: Door, scale: str, masses_g: list[float], step_g: float) -> bool:
    """Send what the scale shows of some masses; return whether it was taken."""
    now = datetime.now(UTC).isoformat()
    weights = [{"at": now, "g": settled_g(grams, step_g, random.gauss(0, 1))} for grams in masses_g]
    return door.call("POST", f"/api/scales/{scale}/weights", {"weights": weights}) is not None


def follow(door: Door, scale: str, step_g: float, parent: int | None) -> None:
    """Weigh what the running batch of the stand-in probe weighs in, until the parent process is gone."""
    shown: tuple[Any, int, float] | None = None
    sent_at = 0.0
    while parent is None or os.getppid() == parent:
        there = door.stand_in(PROBE_NAME)
        batch = None if there is None else there["batch_id"]
        run = None if batch is None else door.call("GET", f"/api/batches/{batch}")
        plate = None if run is None else next_on_the_plate(run)
        lies = None if plate is None else (batch, *plate)
        is_due = lies != shown or time.monotonic() - sent_at > SEND_EVERY_S
        if plate is not None and is_due and send(door, scale, [plate[1]], step_g):
            shown, sent_at = lies, time.monotonic()
        time.sleep(LOOK_EVERY_S)


def main(arguments: list[str]) -> int:
    """Send some weights, one after the other; without any, follow the running batch."""
    parser = argparse.ArgumentParser(prog="hearth_bowl.devices.scale", description=__doc__)
    parser.add_argument("--url", default="http://127.0.0.1:8741")
    parser.add_argument(
        "--key", default="", help="access key from the page Other devices, for use from another device at home"
    )
    parser.add_argument("--scale", default=SCALE_NAME)
    parser.add_argument("--step-g", type=float, default=1.0)
    parser.add_argument("--parent", type=int, default=None, help="end when this process is not the parent any more")
    parser.add_argument("grams", type=float, nargs="*")
    options = parser.parse_args(arguments)
    door = Door(options.url, options.key)
    if options.grams:
        return 0 if send(door, options.scale, options.grams, options.step_g) else 1
    follow(door, options.scale, options.step_g, options.parent)
    return 0


if __name__ == "__main__":
    try:
        sys.exit(main(sys.argv[1:]))
    except KeyboardInterrupt:
        sys.exit(0)
