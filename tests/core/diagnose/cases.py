"""Cases as they come: what was made, what is seen and known, the cause that practice knows, and the kind of answer."""

from dataclasses import dataclass
from typing import Any

from hearth_bowl.core.diagnose.diagnosis import Seen
from hearth_bowl.core.diagnose.facts import Facts
from tests.kitchen import recipe

MADE: dict[str, dict[str, Any]] = {
    "truffle": {"family": "cream-ganache", "use": "roll", "dark60": 200, "cream35": 100},
    "white": {"family": "cream-ganache", "use": "roll", "white28": 300, "cream35": 110},
    "soft-white": {"family": "cream-ganache", "use": "roll", "white28": 200, "cream35": 160},
    "fat": {"family": "cream-ganache", "use": "roll", "milk33": 400, "cream35": 110},
    "stiff": {"family": "cream-ganache", "use": "pipe", "dark70": 320, "cream35": 120},
    "liqueur": {"family": "cream-ganache", "use": "roll", "white28": 240, "cream35": 70, "cream_liqueur17": 60},
    "melt": {"family": "filling", "use": None, "dark60": 200},
    "couverture": {"family": "filling", "use": None, "dark70": 300},
    "compound": {"family": "filling", "use": None, "compound_milk": 300},
    "coffee": {"family": "filling", "use": None, "dark60": 200, "coffee_brewed": 10},
    "tin": {"family": "condensed-milk-fudge", "use": "cut", "condensed_sweet": 397, "dark60": 400},
    "tin-white": {"family": "condensed-milk-fudge", "use": "cut", "condensed_sweet": 397, "white28": 500},
    "tin-soft": {"family": "condensed-milk-fudge", "use": "cut", "condensed_sweet": 397, "milk33": 250},
    "boiled": {"family": "boiled-fudge", "use": "cut", "sugar_granulated": 450, "milk_whole": 300, "butter82": 60,
               "glucose_syrup40": 30},
    "undoctored": {"family": "boiled-fudge", "use": "cut", "sugar_granulated": 500, "milk_whole": 300, "butter82": 60},
    "simmered": {"family": "simmered-fudge", "use": "cut", "sugar_granulated": 400, "butter82": 100, "evaporated": 170,
                 "white28": 200, "glucose_syrup40": 40},
    "whipped": {"family": "whipped-ganache", "use": "whip", "white28": 100, "cream35": 250},
    "marzipan": {"family": "marzipan", "use": "roll", "almond_paste": 200, "sugar_icing": 180, "glucose_syrup40": 20},
    "modelling": {"family": "modelling", "use": "model", "dark60": 200, "glucose_syrup40": 90},
    "cheese": {"family": "soft-cheese", "use": "roll", "biscuit_crumbs": 250, "cream_cheese": 120},
    "butter": {"family": "butter-ganache", "use": "roll", "butter82": 100, "milk33": 200, "spirit40": 20},
    "gianduja": {"family": "nut-paste", "use": "fill-shell", "milk33": 150, "hazelnut_paste": 150},
    "egg": {"family": "filling", "use": "pipe", "egg_white": 60, "sugar_caster": 120, "dark60": 150},
    "crisp": {"family": "cream-ganache", "use": "cut", "dark60": 250, "cream35": 110, "biscuit_crumbs": 60},
    "mixed": {"family": "filling", "use": "cut", "dark60": 150, "compound_dark": 150, "cream35": 60},
}  # fmt: skip


@dataclass(frozen=True)
class Case:
    """What is seen of what, and what is known of it; a cause of `causes` is among the first two."""

    made: str
    stage: str
    signs: str
    causes: str
    verdicts: str
    facts: dict[str, Any]
    now_c: float | None = None
    mass_g: float | None = None
    answers: dict[str, str] | None = None

    def seen(self) -> Seen:
        return Seen(
            recipe=recipe(**MADE[self.made]),
            stage=self.stage,
            signs=tuple(self.signs.split()),
            mass_g=self.mass_g,
            now_c=self.now_c,
            facts=Facts(**self.facts),
            answers=self.answers or {},
        )


def case(made: str, stage: str, signs: str, causes: str, verdicts: str, **known: Any) -> Case:
    special = {name: known.pop(name) for name in ("now_c", "mass_g", "answers") if name in known}
    return Case(made=made, stage=stage, signs=signs, causes=causes, verdicts=verdicts, facts=known, **special)


CASES = (
    case("truffle", "join", "curdled", "still-coming-together", "passes", minutes=1, now_c=42),
    case("truffle", "join", "grainy", "still-coming-together", "passes", hottest_c=45, minutes=2, drops_of_water=0),
    case("truffle", "join", "curdled", "still-coming-together", "passes"),
    case("truffle", "join", "curdled oily", "too-cold", "mend", now_c=24, minutes=15, hottest_c=40),
    case("fat", "join", "oily split", "too-much-fat-for-water", "mend", hottest_c=44, minutes=15),
    case("fat", "join", "split", "too-much-fat-for-water", "mend", now_c=40, mass_g=480),
    case("white", "join", "oily", "too-hot", "mend", hottest_c=61, now_c=44),
    case("white", "join", "grainy oily", "too-hot", "mend", hottest_c=66, minutes=15),
    case("truffle", "join", "split", "too-much-fat-for-water", "mend", water_lost_g=25, minutes=15, hottest_c=50),
    case("truffle", "join", "lumpy", "lumps-unmelted", "mend", now_c=31, minutes=3),
    case("truffle", "set", "too-soft", "not-yet-set", "passes", minutes=120, now_c=24),
    case("truffle", "set", "too-soft", "not-yet-set", "passes", minutes=60),
    case("soft-white", "set", "too-soft", "too-little-chocolate", "mend", minutes=1500, now_c=18),
    case("soft-white", "roll", "too-soft sticky", "too-little-chocolate", "mend", days=2, now_c=16),
    case("liqueur", "set", "too-soft", "liquid-not-counted too-little-chocolate", "mend use-as", days=2, now_c=18),
    case("tin-soft", "cut", "too-soft", "too-little-chocolate", "mend", days=2, now_c=14),
    case("stiff", "set", "too-firm", "too-much-chocolate", "mend", days=1, now_c=20),
    case("stiff", "join", "too-firm", "too-much-chocolate", "mend", now_c=36),
    case("truffle", "roll", "too-firm cracked", "too-cold", "passes mend", now_c=5, days=1),
    case("truffle", "roll", "crumbly", "too-cold", "passes mend", now_c=5, days=1),
    case("melt", "melt", "seized", "water-drops", "use-as", hottest_c=46, drops_of_water=4),
    case("melt", "melt", "seized grainy", "water-drops", "use-as", hottest_c=44),
    case("couverture", "melt", "grainy", "water-drops", "use-as", drops_of_water=1, mass_g=250),
    case("coffee", "join", "seized", "water-drops", "use-as", now_c=40),
    case("truffle", "melt", "seized", "water-drops", "mend", drops_of_water=2),
    case("melt", "melt", "lumpy", "lumps-unmelted", "mend", now_c=33),
    case("couverture", "melt", "grainy", "too-hot", "use-as", hottest_c=70, drops_of_water=0),
    case("melt", "melt", "scorched", "scorched", "start-again", hottest_c=90),
    case("boiled", "boil", "scorched", "scorched", "start-again"),
    case("boiled", "boil", "foamed-over", "pan-too-full", "mend"),
    case("boiled", "beat", "grainy", "stirred-while-hot", "mend", stirred_while_cooling=True, sugar_dissolved=True),
    case("boiled", "set", "gritty", "sugar-not-dissolved", "mend", sugar_dissolved=False, stirred_while_cooling=False),
    case("undoctored", "set", "grainy", "no-doctor-sugar", "mend", sugar_dissolved=True, stirred_while_cooling=False),
    case(
        "boiled",
        "set",
        "gritty",
        "crystals-from-the-pan",
        "mend",
        sugar_dissolved=True,
        stirred_while_cooling=False,
        hottest_c=115,
    ),
    case("boiled", "set", "too-soft", "too-much-water-left", "mend", hottest_c=110),
    case("boiled", "cut", "too-soft sticky", "too-much-water-left", "mend", water_left_pct=17),
    case("boiled", "set", "crumbly too-firm", "too-little-water-left", "mend", hottest_c=122),
    case("boiled", "cut", "crumbly", "too-little-water-left", "mend", water_left_pct=8),
    case("simmered", "set", "too-soft", "too-much-water-left", "mend", water_lost_g=10, days=1),
    case("simmered", "set", "grainy", "sugar-not-dissolved", "mend", sugar_dissolved=False),
    case("tin", "join", "oily", "too-hot", "mend", hottest_c=72),
    case("tin-white", "melt", "grainy oily", "too-hot", "mend", hottest_c=68),
    case("whipped", "beat", "grainy", "overworked", "mend"),
    case("whipped", "beat", "curdled", "overworked", "mend", now_c=10),
    case("marzipan", "roll", "oily", "overworked", "mend"),
    case("marzipan", "roll", "cracked crumbly", "too-little-water-left", "mend", now_c=21),
    case("modelling", "join", "oily", "overworked too-hot", "mend", hottest_c=52),
    case("butter", "join", "curdled", "too-cold", "mend", now_c=17),
    case("gianduja", "set", "too-soft", "off-temper not-yet-set", "mend passes", tempered=False),
    case("melt", "dip", "streaked dull", "off-temper", "mend", tempered=False),
    case("melt", "unmould", "streaked", "off-temper", "mend", room_c=27),
    case("melt", "unmould", "will-not-release", "off-temper", "mend", tempered=False, shell_mm=2),
    case("melt", "unmould", "will-not-release", "too-thin", "mend", tempered=True, shell_mm=0.8, minutes=1500),
    case("truffle", "unmould", "will-not-release", "not-yet-set", "passes mend", minutes=20, tempered=True, now_c=24),
    case("melt", "keep", "streaked", "off-temper condensation", "passes mend", days=5),
    case("truffle", "keep", "leaking", "seam-or-thin-spot", "mend", shell_mm=1.0, days=1),
    case("truffle", "set", "leaking", "overfilled", "mend", answers={"filled_high": "yes"}, shell_mm=2.2),
    case("cheese", "dip", "cracked", "frozen-centre", "mend", now_c=-10),
    case("truffle", "dip", "cracked", "frozen-centre", "mend", now_c=3),
    case("melt", "dip", "stringing", "too-thick too-cold", "mend", now_c=27),
    case("truffle", "cut", "smeared", "warm-when-cut", "mend", now_c=24),
    case("truffle", "cut", "smeared", "blade-not-wiped", "mend", now_c=12),
    case("crisp", "keep", "gone-soft", "moisture-moved", "use-as", days=3),
    case("crisp", "keep", "weeping", "condensation moisture-moved", "mend use-as", out_of_fridge_min=10),
    case("truffle", "join", "spilled", "some-lost", "mend", mass_g=240),
    case("truffle", "unmould", "hollow", "air-trapped", "mend"),
    case("truffle", "keep", "mouldy", "spoiled", "start-again", days=12),
    case("tin", "keep", "smells-off", "spoiled", "start-again", days=40),
    case("cheese", "keep", "sticky", "out-of-the-cold", "start-again", out_of_fridge_min=600),
    case("egg", "keep", "weeping", "out-of-the-cold", "start-again", out_of_fridge_min=300),
    case("truffle", "set", "foreign-body", "not-food", "start-again"),
    case("mixed", "set", "too-soft streaked", "unmixed-fats", "mend", days=2, tempered=True),
    case("truffle", "set", "too-soft", "too-hot not-yet-set", "mend passes", room_c=29, days=1, now_c=28),
    case("truffle", "cool", "lumpy", "too-cold lumps-unmelted", "mend", now_c=12),
    case("boiled", "dissolve", "gritty", "sugar-not-dissolved", "passes"),
    case("tin", "set", "too-firm", "too-hot", "mend", hottest_c=75, days=1),
    case("compound", "unmould", "dull", "chilled-too-fast condensation", "mend", coldest_c=-18),
    case("melt", "unmould", "dull", "chilled-too-fast", "mend", tempered=True, coldest_c=-18),
    case("melt", "unmould", "cracked", "chilled-too-fast", "mend", tempered=True, coldest_c=-18),
    case("melt", "keep", "sticky streaked", "condensation", "mend passes", tempered=True, out_of_fridge_min=5),
    case("melt", "dip", "dull", "off-temper", "mend", room_c=28),
    case("truffle", "join", "oily", "too-cold", "mend", now_c=26, hottest_c=40, minutes=12),
    case("truffle", "join", "split", "too-much-fat-for-water too-cold", "mend", coldest_c=20, minutes=14),
    case("fat", "join", "curdled", "too-much-fat-for-water", "mend", minutes=15, hottest_c=45),
    case("white", "join", "split oily", "too-hot", "mend", hottest_c=70),
    case("butter", "beat", "oily", "too-hot", "mend", hottest_c=55),
    case("modelling", "roll", "oily", "overworked", "mend", now_c=26),
    case("marzipan", "roll", "sticky", "too-much-water-left", "mend"),
    case("simmered", "join", "oily", "too-hot too-little-water-left too-much-fat-for-water", "mend"),
    case("whipped", "beat", "too-soft", "too-hot not-yet-set", "passes mend", now_c=19),
    case("boiled", "keep", "sticky", "moisture-moved too-much-water-left", "mend", days=3),
    case("boiled", "cool", "grainy", "stirred-while-hot", "mend", stirred_while_cooling=True),
    case("boiled", "set", "grainy", "sugar-not-dissolved stirred-while-hot", "mend"),
    case("undoctored", "set", "grainy", "no-doctor-sugar sugar-not-dissolved stirred-while-hot", "mend"),
    case("truffle", "cut", "too-firm", "too-cold", "passes mend", now_c=4),
    case("gianduja", "join", "seized", "water-drops", "use-as", drops_of_water=3),
    case("compound", "melt", "seized", "water-drops", "use-as", drops_of_water=1),
    case("melt", "melt", "stringing", "too-thick too-cold", "mend"),
    case("cheese", "keep", "weeping", "out-of-the-cold", "start-again", days=7),
    case("egg", "keep", "sticky", "out-of-the-cold", "start-again", days=3),
    case("truffle", "keep", "dull", "off-temper", "passes", days=14, tempered=False),
    case("truffle", "keep", "smells-off", "spoiled", "start-again"),
    case("melt", "unmould", "will-not-release", "too-thin off-temper", "mend", shell_mm=0.9),
    case("melt", "unmould", "will-not-release", "not-yet-set", "passes mend", minutes=10, tempered=True, shell_mm=2.2),
    case("truffle", "keep", "leaking", "seam-or-thin-spot too-thin", "mend", shell_mm=0.9),
    case("tin-soft", "set", "too-soft", "too-little-chocolate", "mend", minutes=1500),
    case("truffle", "join", "spilled", "some-lost", "mend"),
    case("boiled", "set", "too-firm", "too-little-water-left", "mend", hottest_c=121),
    case("boiled", "set", "crumbly", "too-little-water-left", "mend", water_lost_g=240, mass_g=600),
    case("boiled", "set", "too-soft", "too-much-water-left", "mend", water_lost_g=150, mass_g=690),
    case("truffle", "set", "grainy", "too-cold chilled-too-fast lumps-unmelted too-hot", "mend", days=1),
    case("truffle", "cut", "crumbly", "too-cold", "passes mend", now_c=6),
    case("liqueur", "roll", "too-soft sticky", "liquid-not-counted too-little-chocolate", "mend", days=1, now_c=17),
    case("crisp", "set", "gone-soft", "moisture-moved", "use-as", days=2),
    case("truffle", "set", "cracked", "frozen-centre chilled-too-fast too-cold", "mend passes", coldest_c=-15),
    case("truffle", "set", "hollow", "air-trapped", "mend"),
    case("white", "melt", "scorched", "scorched", "start-again", hottest_c=75),
    case("tin", "melt", "lumpy", "lumps-unmelted", "mend", now_c=36),
    case("truffle", "melt", "grainy", "water-drops too-hot lumps-unmelted", "mend use-as", hottest_c=48),
)
