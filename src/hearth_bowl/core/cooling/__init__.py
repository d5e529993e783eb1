"""Cooling and setting: how long a slab or a bowl takes until its hottest point is where it should be."""
