"""Assess: all that is said of one mass in numbers, in one value (`assess`), and what it costs (`cost`)."""
