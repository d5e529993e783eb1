"""What ingredients are called in French, German, Italian, Portuguese and Spanish kitchens, all together."""

from typing import Final

from hearth_bowl.core.recipe.written.vocabulary.french import FRENCH
from hearth_bowl.core.recipe.written.vocabulary.german import GERMAN
from hearth_bowl.core.recipe.written.vocabulary.iberian import PORTUGUESE, SPANISH
from hearth_bowl.core.recipe.written.vocabulary.italian import ITALIAN

FOREIGN: Final[tuple[tuple[str, str, str], ...]] = (*FRENCH, *GERMAN, *ITALIAN, *PORTUGUESE, *SPANISH)
