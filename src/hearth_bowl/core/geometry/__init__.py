"""Geometry of pans, cavities and pieces: lengths in mm, volumes in ml."""
