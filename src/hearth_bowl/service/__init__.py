"""Use cases: they take a session and plain values, call the core, and return values."""
