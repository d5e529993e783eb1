"""Tests, in folders named as what they test. The same examples are drawn every time: a failure can be had again."""

from hypothesis import settings

settings.register_profile("hearth", deadline=None, derandomize=True, max_examples=80, database=None)
settings.load_profile("hearth")
