"""A stand-in probe: `python -m hearth_bowl.devices.probe --url http://127.0.0.1:8741`.

It plays the pan that the running batch is about, follows its steps as a cook would turn the ring, and sends a reading
a second of the pan's time through the open door. At speed 10 ten seconds of the pan go by in one.
"""

import argparse
import os
import random
import sys
import time
from datetime import UTC, datetime, timedelta
from typing import Any

from hearth_bowl.core.mass.boiling import SEA_LEVEL_KPA
from hearth_bowl.core.mass.mixture import Mixture, mix, mix_lines
from hearth_bowl.devices.door import Door
from hearth_bowl.devices.kitchen_physics import Hob, LaggingProbe, PanOfSomething, bowl_w_per_k
from hearth_bowl.formats.recipe_file import recipe_from

PROBE_NAME = "stand-in"
FRIDGE_C = 5.0
GENTLE_SHARE = 0.35
MELTING_SHARE = 0.3
HOLDING_SHARE = 0.12
CHOCOLATE_G = 600.0
OVEN_W = 800.0
ABSORBED = 0.45
BURST_S, BURST_EVERY_S = 30, 60
SEED_AT_A_TIME, SEED_EVERY_S = 0.04, 20


class StandInKitchen:
    """What is on the ring, built from what the application says of the running batch."""

    def __init__(self, probe: LaggingProbe, hob: Hob) -> None:
        self.probe, self.hob = probe, hob
        self.batch: int | None = None
        self.pan: PanOfSomething | None = None
        self.step: dict[str, Any] = {}
        self.heat = "pan"
        self.chocolate: str | None = None
        self.seconds = 0
        self.positions: list[int] = []

    def follow(self, said: dict[str, Any]) -> None:
        """Take up what is at the stove now."""
        if said["batch_id"] != self.batch:
            self.batch, self.pan, self.positions = said["batch_id"], None, []
        if said["step"]["key"] != self.step.get("key"):
            self.seconds = 0
        self.step, self.heat = said["step"], said["heat"]
        if said["chocolate"] != self.chocolate:
            self.chocolate, self.pan, self.positions = said["chocolate"], None, []
        if self.chocolate is not None:
            if self.pan is None:
                self.pan = self._fresh(_of_one(self.chocolate, CHOCOLATE_G), said)
            return
        positions = said["in_the_pan"]
        if positions and positions != self.positions:
            self._put_in(said, positions)

    def _put_in(self, said: dict[str, Any], positions: list[int]) -> None:
        recipe = recipe_from(said["recipe"])
        mixture = mix_lines(recipe, positions)
        fresh = self._fresh(mixture, said)
        if self.pan is not None and set(self.positions) <= set(positions):
            fresh.add_to(self.pan, said["kitchen_c"])
            if said["step"]["key"] == "join":
                fresh.pan_c = said["kitchen_c"]  # it leaves the pan for the bowl
        self.pan, self.positions = fresh, positions

    def _fresh(self, mixture: Mixture, said: dict[str, Any]) -> PanOfSomething:
        return PanOfSomething(
            mixture=mixture,
            kpa=said.get("pressure_kpa") or SEA_LEVEL_KPA,
            hob=self.hob,
            ambient_c=said["kitchen_c"],
            mass_c=said["kitchen_c"],
            pan_c=said["kitchen_c"],
            latent_j_per_g=_latent(mixture),
        )

    def advance(self, seconds: float) -> float | None:
        """Go on, and return what the probe shows."""
        if self.pan is None:
            return None
        heat = self.step.get("heat", "none")
        self.pan.ambient_c = FRIDGE_C if self.step.get("key") in ("set", "rest-cold") else self.pan.ambient_c
        cooling = heat in ("cool", "none", "work")
        self.pan.hob = Hob(
            power_w=self.hob.power_w, air_w_per_k=3 * bowl_w_per_k(self.pan.mass_g) if cooling else self.hob.air_w_per_k
        )
        self.pan.bath_c = 60.0 if heat == "melt" else None
        self.seconds += round(seconds)
        self._seed(heat)
        if self.heat == "microwave" and heat in ("melt", "warm"):
            self.pan.advance(seconds, 0.0, self._oven_w())
        else:
            self.pan.advance(seconds, self._ring(heat))
        return self.probe.read(self.pan.mass_c, seconds, random.random(), random.gauss(0, 1))

    def _oven_w(self) -> float:
        """Return what the oven brings: bursts of half a minute, stirred in between, until the target is near."""
        target = self.step.get("target_c")
        there = self.pan is not None and target is not None and self.pan.mass_c >= target[0] + 0.5
        return 0.0 if there or self.seconds % BURST_EVERY_S >= BURST_S else OVEN_W * ABSORBED

    def _seed(self, heat: str) -> None:
        """Stir seed in as a cook would: a little at a time until the chocolate works."""
        target = self.step.get("target_c")
        if self.step.get("key") != "temper-cool" or self.pan is None or not target or heat != "cool":
            return
        if self.pan.mass_c > target[1] and self.seconds % SEED_EVERY_S == 0:
            self.pan.stir_in(SEED_AT_A_TIME * self.pan.mass_g, self.pan.ambient_c)

    def _ring(self, heat: str) -> float:
        """Turn the ring as a cook would: down near the target, off when it is there or cools."""
        target = self.step.get("target_c")
        now = self.pan.mass_c if self.pan else 0.0
        if heat in ("cool", "none"):
            return 0.0
        if heat == "work":
            return HOLDING_SHARE if target and now < target[0] else 0.0
        if heat == "melt":
            return MELTING_SHARE if not target or now < target[0] else 0.0
        if heat == "warm":
            return 0.0 if target and now > target[1] else 0.8
        return 0.9


def _of_one(chocolate: str, grams: float) -> Mixture:
    line = {"ingredient": chocolate, "amount": grams}
    return mix(recipe_from({"name": "Chocolate", "family": "filling", "lines": [line]}))


def _latent(mixture: Mixture) -> float:
    return 0.155 * 1000 * 0.76 * mixture.grams["cocoa_butter"] / mixture.mass_g


def main(arguments: list[str]) -> int:
    """Run until stopped."""
    parser = argparse.ArgumentParser(prog="hearth_bowl.devices.probe", description=__doc__)
    parser.add_argument("--url", default="http://127.0.0.1:8741")
    parser.add_argument(
        "--key", default="", help="access key from the page Other devices, for use from another device at home"
    )
    parser.add_argument("--probe", default=PROBE_NAME)
    parser.add_argument("--speed", type=float, default=None, help="1 to 60; the page chooses when not given")
    parser.add_argument("--power-w", type=float, default=1200.0)
    parser.add_argument("--offset-c", type=float, default=0.0)
    parser.add_argument("--dropouts", type=float, default=0.0, help="share of readings that are lost")
    parser.add_argument("--parent", type=int, default=None, help="end when this process is not the parent any more")
    parser.add_argument("--loose-plug", action="store_true", help="silent for 20 s every 2 min")
    options = parser.parse_args(arguments)
    door = Door(options.url, options.key)
    kitchen = StandInKitchen(
        LaggingProbe(offset_c=options.offset_c, dropout_share=options.dropouts), Hob(power_w=options.power_w)
    )
    waiting: list[dict[str, Any]] = []
    while options.parent is None or os.getppid() == options.parent:
        began = time.monotonic()
        said = door.stand_in(options.probe)
        if said and said.get("batch_id") is not None:
            speed = min(60.0, max(1.0, options.speed or said.get("speed") or 1.0))
            kitchen.follow(said)
            loose = options.loose_plug and time.time() % 120 < 20
            second = datetime.now(UTC)
            for number in range(round(speed)):
                shows = kitchen.advance(1.0)
                if kitchen.pan is not None and not loose:
                    at = second - timedelta(seconds=1 - (number + 1) / speed)
                    waiting.append({"at": at.isoformat(), "c": None if shows is None else round(shows, 2)})
        if waiting and door.send_readings(options.probe, waiting[-600:]):
            waiting.clear()
        time.sleep(max(0.05, 1.0 - (time.monotonic() - began)))
    return 0


if __name__ == "__main__":
    try:
        sys.exit(main(sys.argv[1:]))
    except KeyboardInterrupt:
        sys.exit(0)
