"""The stove: the steps of a run, what the thermometer says comes next, and what a trace shows."""
