"""What nearly every test module needs: loaded once, and there in each process that runs one."""

import hypothesis
import playwright.sync_api

import hearth_bowl.server
from tests.ready_kitchens import make_all

__all__ = ["hearth_bowl", "hypothesis", "playwright"]

make_all()
