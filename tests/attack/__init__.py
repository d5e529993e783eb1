"""Attacks on a kitchen: kills, odd requests, hostile files, many days. `benchmarks/attack.py` runs full counts."""
