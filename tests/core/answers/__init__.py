"""What the core answered yesterday, kept: a change of any rule shows here, and is kept anew where it was meant."""
