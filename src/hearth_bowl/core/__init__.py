"""The job's rules and computation: pure functions and values, no interface, web or database code."""
