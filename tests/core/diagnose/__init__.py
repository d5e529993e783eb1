"""What a kitchen's log teaches."""
