"""What nearly every test module needs: loaded once, and there in each process that runs one."""

import hypothesis
import playwright.sync_api

import hearth_bowl.server
from tests.api.server import demo_file

__all__ = ["hearth_bowl", "hypothesis", "playwright"]

demo_file()
