"""The aims file of `balance`: an object with `aims`."""

from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.solve.aims import checked_aims
from hearth_bowl.formats.strict_json import read_json


def read_aims(data: bytes) -> dict[str, float]:
    """Return the aims of a file.

    :raises BadInput: naming the aim below `aims`.
    """
    record = read_json(data, "aims")
    aims = record.get("aims")
    if not isinstance(aims, dict):
        raise BadInput(("aims",), "is missing or not an object", "an object of aims", "missing")
    try:
        return checked_aims(aims)
    except BadInput as problem:
        raise problem.under("aims") from None
