"""What can hurt at the stove, in one sentence each, said at the step where it counts."""

from typing import Final

BOILING_SUGAR: Final = (
    "Boiling sugar sticks and burns deep: long sleeves, a dry spoon, cold water near. Fill the pan a third at most."
)
RISING_CREAM: Final = "Cream rises when it boils: fill the pan a third at most and stay with it."
MICROWAVED: Final = "Cream and syrup can boil up after the microwave stops: a tall jug, short bursts, stir, wait."
SPIRIT: Final = "Spirit off the flame: take the pan away from the ring before it goes in."
RAW_EGG: Final = "Raw egg white is a risk: take pasteurised, above all for children, the old, the ill and the pregnant."
HOT_CREAM: Final = "Hot caramel erupts when cream goes in: warm the cream, a little at a time, stand back."
EGG_COOKED: Final = "Egg is cooked only when its middle holds ⟦82 °C⟧; below that it can carry Salmonella."
LOCAL_RULES: Final = "For keeping and selling follow your local food rules."
"""Usual advice; nothing here certifies that a thing is safe."""
