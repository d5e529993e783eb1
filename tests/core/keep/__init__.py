"""Tests of how long a mass keeps and what must be said of it."""
