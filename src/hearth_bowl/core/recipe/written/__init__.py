"""Recipes as people write them: lines of text to amounts and ingredients, with what is doubtful said."""
