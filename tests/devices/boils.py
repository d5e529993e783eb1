"""A simulated boil with a probe on it, pulled when the call says so."""

from random import Random

from hearth_bowl.core.mass.boiling import boil_curve, pressure_kpa, water_boils_c
from hearth_bowl.core.mass.mixture import mix
from hearth_bowl.core.mass.sugar_stages import thermometer
from hearth_bowl.core.recipe.recipe import Recipe
from hearth_bowl.core.stove.forecast import forecast
from hearth_bowl.devices.kitchen_physics import Hob, LaggingProbe, PanOfSomething
from tests.kitchen import recipe

FUDGE = recipe("boiled-fudge", "cut", sugar_granulated=450, milk_whole=300, butter82=60, glucose_syrup40=30)
ABOVE_BOIL_C = 13.0
SEED = 7
LONGEST_S = 3 * 3600


class Boil:
    """One boil: when it was called, how hot it then became, and what was said on the way.

    `by_reading` pulls when the bare reading is at the target: what a cook does without help.
    """

    def __init__(
        self,
        made: Recipe,
        power_w: float,
        altitude_m: float,
        offset_c: float,
        dropouts: float,
        *,
        by_reading: bool = False,
    ) -> None:
        chance = Random(SEED)
        kpa = pressure_kpa(altitude_m)
        pan = PanOfSomething(mixture=mix(made), kpa=kpa, hob=Hob(power_w=power_w))
        self.target_c = pan.boiling_c + ABOVE_BOIL_C
        probe = LaggingProbe(offset_c=offset_c, dropout_share=dropouts)
        tested = thermometer(round(water_boils_c(kpa) + offset_c, 1), kpa)
        curve = boil_curve(mix(made), kpa)
        readings: list[tuple[float, float]] = []
        self.said: list[tuple[float, float, float]] = []
        second = 0.0
        while True:
            second += 1
            if second > LONGEST_S:
                raise AssertionError("never called")
            pan.advance(1, 1.0)
            shown = probe.read(pan.mass_c, 1, chance.random(), chance.gauss(0, 1))
            if shown is None:
                continue
            if by_reading:
                if shown >= self.target_c:
                    break
                continue
            readings.append((second, shown - tested.offset_c))
            found = forecast(readings[-200:], self.target_c, boil_curve=curve)
            if found is None:
                continue
            if found.due:
                break
            if found.in_s is not None:
                self.said.append((second, second + found.in_s, second + (found.high_s or 0.0)))
        self.called_s = second
        self.highest_c = pan.mass_c
        for _ in range(120):
            pan.advance(1, 0.0)
            self.highest_c = max(self.highest_c, pan.mass_c)

    @property
    def missed_c(self) -> float:
        """Return by how much it ended above (or below) its target."""
        return self.highest_c - self.target_c

    def said_before(self, seconds: float) -> tuple[float, float]:
        """Return the moment that was said about so long before the call, and the latest of its band."""
        _, said_s, latest_s = min(self.said, key=lambda row: abs(row[0] - (self.called_s - seconds)))
        return said_s, latest_s

    def latest_said_before(self, seconds: float) -> float:
        """Return the latest moment of the band that was said about so long before the call."""
        return self.said_before(seconds)[1]
