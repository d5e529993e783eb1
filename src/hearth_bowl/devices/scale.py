"""A stand-in scale: `python -m hearth_bowl.devices.scale --url ... 212.4 28.1` sends weights as a real one would.

Each weight is one that was settled on the plate; it scatters by the scale's step. It goes through the same door as
the probe's readings: `POST /api/scales/ID/weights`.
"""

import argparse
import random
import sys
from datetime import UTC, datetime

from hearth_bowl.devices.door import Door

SCALE_NAME = "stand-in-scale"


def settled_g(true_g: float, step_g: float, gauss: float) -> float:
    """Return what a scale of that step shows of a mass."""
    return max(0.0, round((true_g + 0.3 * step_g * gauss) / step_g) * step_g)


def main(arguments: list[str]) -> int:
    """Send some weights, one after the other."""
    parser = argparse.ArgumentParser(prog="hearth_bowl.devices.scale", description=__doc__)
    parser.add_argument("--url", default="http://127.0.0.1:8741")
    parser.add_argument("--scale", default=SCALE_NAME)
    parser.add_argument("--step-g", type=float, default=1.0)
    parser.add_argument("grams", type=float, nargs="+")
    options = parser.parse_args(arguments)
    door = Door(options.url)
    weights = [
        {"at": datetime.now(UTC).isoformat(), "g": settled_g(grams, options.step_g, random.gauss(0, 1))}
        for grams in options.grams
    ]
    sent = door.call("POST", f"/api/scales/{options.scale}/weights", {"weights": weights})
    return 0 if sent is not None else 1


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
