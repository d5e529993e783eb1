"""`python -m hearth_bowl VERB ...`: the server for `demo` and `serve`, `backup`, `restore`, else the verbs."""

import sys

if __name__ == "__main__":
    if sys.argv[1:2] in (["demo"], ["serve"]):
        from hearth_bowl.server import run

        sys.exit(run(sys.argv[1], sys.argv[2:]))
    if sys.argv[1:2] in (["backup"], ["restore"]):
        from hearth_bowl.safekeeping import main as safekeeping

        sys.exit(safekeeping(sys.argv[1], sys.argv[2:]))
    from hearth_bowl.cli import main

    sys.exit(main(sys.argv[1:]))
