"""Benchmarks: medians and p95s, each beside a simple baseline measured in the same run."""
