"""`python -m hearth_bowl VERB ...` or `hearth-bowl VERB ...`: the server for `demo` and `serve`, `backup`, `restore`,
else a verb."""

import sys


def main() -> int:
    """Do what the command line says; return the exit code."""
    verb, rest = (sys.argv[1] if len(sys.argv) > 1 else ""), sys.argv[2:]
    if verb in ("demo", "serve"):
        from hearth_bowl.server import run

        return run(verb, rest)
    if verb in ("backup", "restore"):
        from hearth_bowl.safekeeping import main as safekeeping

        return safekeeping(verb, rest)
    from hearth_bowl.cli import main as answer

    return answer(["version"] if verb == "--version" else sys.argv[1:])


if __name__ == "__main__":
    sys.exit(main())
