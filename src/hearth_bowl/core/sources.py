"""Where the numbers come from. Tables and readings name a key of SOURCES; a test holds them to it."""

from types import MappingProxyType
from typing import Final

SOURCES: Final = MappingProxyType(
    {
        "food-tables": "National food composition tables (USDA FoodData Central; McCance and Widdowson) "
        "and typical labels, rounded.",
        "chocolate-directive": "EU Directive 2000/36/EC for the minima of chocolate, with typical labels, rounded.",
        "computed-alcohol": "Ethanol by mass from the strength by volume (0.78924 g/ml) and the drink's density.",
        "glucose-syrup": "Mean molar mass of a dry glucose syrup, 18016/DE; its higher saccharides by difference.",
        "eu-1169": "Regulation (EU) No 1169/2011, annex XIV (energy) and annex II (allergens).",
        "component-densities": "Typical densities of food components, several textbooks; mixtures by volume, "
        "checked to 3.5 %.",
        "norrish-1966": "R. S. Norrish, J. Food Technol. 1 (1966) 25-39; constants after Chirife, Favetto and "
        "Ferro Fontan, about 1980-82.",
        "starzak-peacock-1997": "M. Starzak and S. D. Peacock, 1997, water activity in sucrose solutions, critical "
        "evaluation (constants quoted from memory; they reproduce isopiestic data to 0.001).",
        "wagner-pruss-1993": "W. Wagner and A. Pruss, 1993 (IAPWS), vapour pressure of water.",
        "icao": "ICAO standard atmosphere.",
        "charles-1960": "D. F. Charles, Int. Sugar J. 62 (1960) 126, solubility of sucrose ⟦0 to 90 °C⟧ "
        "(quoted from memory; agrees with Vavrinecz 1962 to 0.6).",
        "hudson-1908": "C. S. Hudson, 1908, solubility of lactose, as reprinted in dairy texts.",
        "fat-textbooks": "Solid fat content of tempered fats: typical values, several textbooks.",
        "ideal-solubility": "Ideal solubility of cocoa butter in liquid fat: direction certain, size ±30 %.",
        "set-judgement": "A calibrated judgement: 33 kitchen cases, judged, not measured; RMS .16 on "
        "its twelve anchors.",
        "set-water-free": "A weak rule, judged on 13 kitchen cases of water-free fillings.",
        "split-practice": "Fat to water in truffle mixes: bands of common practice.",
        "sweetness-textbooks": "Relative sweetness: typical values, several textbooks.",
        "augustin-1992": "Augustin et al., J. Am. Diet. Assoc. 92 (1992) 486; USDA Table of Nutrient Retention, "
        "release 6, 2007.",
        "oiml-alcohol": "OIML alcohol table: density of ethanol and water mixtures at ⟦20 °C⟧.",
        "water-density": "Density of water, CIPM: 1 - (t + 288.9414)/(508929.2 (t + 68.12963)) (t - 3.9863)^2.",
        "solid-geometry": "Solid geometry, exact unless a docstring says otherwise.",
        "keeping-practice": "Usual shelf readings of water activity, several textbooks, taken cautiously.",
        "invertase-practice": "Stoichiometry exact; times by confectioners' practice, weak: preparations differ "
        "several-fold.",
        "boil-practice": "Water left at the end of a boil, by kind: typical values, several textbooks; fair.",
        "hob-practice": "Energy balance of a pan on a ring: solid; losses and the pan itself: judged, weak.",
        "burst-practice": "Energy balance of a microwave: solid; what a mass takes up of it: judged, weak.",
        "choi-okos-1986": "Y. Choi and M. R. Okos, 1986, thermal properties of foods by composition.",
        "incropera-dewitt": "F. P. Incropera and D. P. DeWitt, Fundamentals of Heat and Mass Transfer: the plane wall.",
        "cooling-practice": "Heat transfer in kitchens, air and radiation together: typical values, time -25/+45 %.",
        "fat-heats": "Latent heats of fats: typical values.",
        "tempering-windows": "Windows of tempering: typical values, several textbooks, ⟪±1 °C⟫ between makers.",
        "pack-labels": "Net weights as usually printed on packs, by country; the wrapper in hand wins.",
        "kitchen-measures": "Legal and customary kitchen measures: metric, US, imperial, Australian.",
    }
)
