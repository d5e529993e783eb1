"""Hearth Bowl: formulate ganache, fudge and fillings, and fit them to what you own."""

__version__ = "0.1.0"
