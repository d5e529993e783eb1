"""The demo: an evening's sweets for the open evening of Skylark Observatory."""
