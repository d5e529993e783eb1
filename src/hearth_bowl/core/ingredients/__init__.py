"""Ingredients: what each is made of (`ingredient`, `components`), how it is sold (`packs`), and all that are known
(`library`, one file a shelf)."""
