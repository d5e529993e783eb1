"""Stand-ins for outside devices: a probe and a scale that use the same open door as real ones would."""
