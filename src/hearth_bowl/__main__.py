"""`python -m hearth_bowl VERB ...`: the server for `demo` and `serve`, the command line for everything else."""

import sys

if __name__ == "__main__":
    if sys.argv[1:2] in (["demo"], ["serve"]):
        from hearth_bowl.server import run

        sys.exit(run(sys.argv[1], sys.argv[2:]))
    from hearth_bowl.cli import main

    sys.exit(main(sys.argv[1:]))
