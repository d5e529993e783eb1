"""Why: how a reading was worked out, from which figures, after whom, how far to trust it, and what would narrow it."""

from dataclasses import dataclass

from hearth_bowl.core.assess.assess import Assessment
from hearth_bowl.core.sources import SOURCES


@dataclass(frozen=True, slots=True)
class Figure:
    """A figure that went in, with its unit."""

    name: str
    value: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Why:
    """The working behind a reading."""

    formula: str
    inputs: tuple[Figure, ...]
    source: str
    band: str
    narrower: str


def why_set(assessment: Assessment) -> Why:
    """Return the working of the set index."""
    mass = assessment.mixture.binder
    grams = mass.grams
    if assessment.set.rule == "water-free":
        return Why(
            formula="1.12 ln(1 + P) + 2.2 φ − 1.4, P the solid fat in % of the fat, φ the share of dry particles; "
            "whole pieces are left out",
            inputs=(Figure("Fat", f"⟦{mass.fat_g:.1f} g⟧"), Figure("Mass", f"⟦{mass.mass_g:.1f} g⟧")),
            source=SOURCES["set-water-free"],
            band="±0.6",
            narrower="Note how your batch came out: a verdict by texture words.",
        )
    return Why(
        formula="3.02 ln R + 2.00, R = (solid fat + 0.5 cocoa solids + 0.5 milk solids + 0.12 sugar crystals + fruit "
        "solids) ÷ (water + alcohol + 0.8 glycerine + 0.3 sorbitol); colder than ⟦20 °C⟧ the syrup stiffens too; "
        "whole pieces are left out",
        inputs=(
            Figure("Fat, solid or not", f"⟦{mass.fat_g:.1f} g⟧"),
            Figure("Cocoa solids", f"⟦{grams['cocoa_nonfat']:.1f} g⟧"),
            Figure("Milk solids", f"⟦{grams['msnf']:.1f} g⟧"),
            Figure("Water", f"⟦{grams['water']:.1f} g⟧"),
            Figure("Alcohol", f"⟦{grams['ethanol']:.1f} g⟧"),
        ),
        source=SOURCES["set-judgement"],
        band="±0.4 at ⟦20 °C⟧, ±0.7 elsewhere",
        narrower="The fat on your own chocolate's and cream's label, and a verdict on a batch.",
    )


def why_split(assessment: Assessment) -> Why:
    """Return the working of the split risk."""
    mass = assessment.mixture.binder
    return Why(
        formula="total fat ÷ water, whole pieces left out: under 1.8 safe, to 2.3 take care, to 2.8 fragile, to 4 "
        "expect it to split",
        inputs=(Figure("Fat", f"⟦{mass.fat_g:.1f} g⟧"), Figure("Water", f"⟦{mass.grams['water']:.1f} g⟧")),
        source=SOURCES["split-practice"],
        band="Milk protein, lecithin, a blender or glucose syrup help by a third of a band; under ⟦30 °C⟧ or "
        "over ⟦60 °C⟧ hurts by one",
        narrower="The fat on the cream's and the chocolate's label.",
    )


def why_keeps(assessment: Assessment) -> Why:
    """Return the working of the keeping time."""
    water, grams = assessment.water_activity, assessment.mixture.grams
    model = "–" if water.model is None else f"{water.model:.3f}"
    return Why(
        formula="ln aw = ln Xw − 1.0998 (298.15/T)(1 − 1.0038 Xs − 0.24653 Xs²)(Σ √K X)², water that solids bind taken "
        "off; the cautious end of the band and the part that spoils first set the days",
        inputs=(
            Figure("Water", f"⟦{grams['water']:.1f} g⟧"),
            Figure("Sugars", f"⟦{assessment.mixture.sugars_g:.1f} g⟧"),
            Figure("Sugar left as crystals", f"⟦{assessment.undissolved_sugar_g:.1f} g⟧"),
            Figure("Plain equation", model),
        ),
        source=f"{SOURCES['norrish-1966']} {SOURCES['keeping-practice']}",
        band="±0.03 for ganache; grained against not for fudge. Never a certificate that it is safe",
        narrower="A measured water activity. Clean work and cold count as much.",
    )


def why_crystals(assessment: Assessment) -> Why:
    """Return the working of the sugar crystals."""
    grams = assessment.mixture.grams
    return Why(
        formula="sucrose and lactose above what the water holds at ⟦20 °C⟧; other sugars leave less room for sucrose, "
        "and sucrose less for lactose",
        inputs=(
            Figure("Sucrose", f"⟦{grams['sucrose']:.1f} g⟧"),
            Figure("Lactose", f"⟦{grams['lactose']:.1f} g⟧"),
            Figure("Water", f"⟦{grams['water']:.1f} g⟧"),
        ),
        source=f"{SOURCES['charles-1960']} {SOURCES['hudson-1908']}",
        band="sucrose ±1 %, lactose and mixed sugars ±10 %; it may stay dissolved for days before it grains",
        narrower="Feel it between the fingers after a night's rest.",
    )


def why_alcohol(assessment: Assessment) -> Why:
    """Return the working of the alcohol."""
    return Why(
        formula="grams of ethanol ÷ mass, as weighed; no loss by heat is assumed",
        inputs=(
            Figure("Ethanol", f"⟦{assessment.mixture.grams['ethanol']:.1f} g⟧"),
            Figure("Mass", f"⟦{assessment.mass_g:.1f} g⟧"),
        ),
        source=SOURCES["computed-alcohol"],
        band="as the bottle's strength; what heat leaves of it is ±10 % of it",
        narrower="The strength on the label.",
    )


def why_energy(assessment: Assessment) -> Why:
    """Return the working of the energy."""
    return Why(
        formula="kcal per g: fat 9, sugars 4, alcohol 7, polyols 2.4, milk protein and salts 3.28, cocoa and other "
        "solids about 2.6",
        inputs=(
            Figure("Fat", f"⟦{assessment.mixture.fat_g:.1f} g⟧"),
            Figure("Sugars", f"⟦{assessment.mixture.sugars_g:.1f} g⟧"),
            Figure("Mass", f"⟦{assessment.mass_g:.1f} g⟧"),
        ),
        source=SOURCES["eu-1169"],
        band="±5 %, fair",
        narrower="Your own ingredients' labels.",
    )


def why_sweetness(assessment: Assessment) -> Why:
    """Return the working of the sweetness."""
    return Why(
        formula="sum of grams × relative sweetness: sucrose 1, glucose .70, fructose 1.20, lactose .20, maltose .40",
        inputs=(
            Figure("Sugars", f"⟦{assessment.mixture.sugars_g:.1f} g⟧"),
            Figure("Mass", f"⟦{assessment.mass_g:.1f} g⟧"),
        ),
        source=SOURCES["sweetness-textbooks"],
        band="weak to fair, about ±10 %",
        narrower="The sugars on your chocolate's label.",
    )
