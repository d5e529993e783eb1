"""Round a piece: its coat, what it is rolled in, what goes on top, and the drizzle over a coat that has set."""

from dataclasses import replace

from hearth_bowl.core.method import piece_rows as piece
from hearth_bowl.core.method.act import After
from hearth_bowl.core.method.build import Build, ChocolateUse
from hearth_bowl.core.method.forms.common import in_words, names_of, stays_cold, uses_chocolate, with_mixes
from hearth_bowl.core.method.piece_rows import piece_act
from hearth_bowl.core.method.rows import Row


def coated(build: Build, last: list[After]) -> list[After]:
    """Draw up dipping and what goes on before the coat sets; without a coat the rolling and what goes on top."""
    coats = build.parts("coat")
    if not coats:
        return topped(build, _rolled(build, last, piece.ROLL_IN), is_wet=False)
    for at, part in coats:
        mix = build.mix_of(at)
        row = piece.COAT_MIX if mix is not None else piece.DIP_COLD if stays_cold(build, "centre") else piece.DIP
        act = replace(piece_act(row, names_of([(at, part)]), part.pieces, "" if len(coats) == 1 else f".{at}"),
                      takes=build.taken(part))  # fmt: skip
        last = [build.add(act, with_mixes(build, [(at, part)], last))]
        if part.is_chocolate and mix is None:
            build.uses.append(ChocolateUse(act=act.id, part=part, share=1.0, phase="coat"))
    last = _rolled(build, [replace(one, most_min=10) for one in last], piece.ROLL_IN_WET)
    last = topped(build, [replace(one, most_min=10) for one in last], is_wet=True)
    sets = piece.COAT_SETS_COLD if stays_cold(build, "centre", "layer", "filling") else piece.COAT_SETS
    return _drizzled(build, [build.add(piece_act(sets, names_of(coats)), last)])


def _drizzled(build: Build, last: list[After]) -> list[After]:
    """Draw up the chocolate that is run over pieces once their coat has set."""
    drizzles = [(at, part) for at, part in build.parts("topping") if part.is_chocolate and build.mix_of(at) is None]
    if not drizzles:
        return last
    row = piece_act(piece.DRIZZLE, names_of(drizzles), build.pieces)
    act = build.add(replace(row, do=row.do.replace("Run it", f"Run {in_words(drizzles)}", 1)), last)
    build.uses += [ChocolateUse(act=act.id, part=part, share=1.0, phase="drizzle") for _, part in drizzles]
    sets = replace(piece_act(piece.COAT_SETS, names_of(drizzles)), id="topping-sets", title="Let the drizzle set")
    return [build.add(sets, [act])]


def _rolled(build: Build, last: list[After], row: Row) -> list[After]:
    rolling = build.parts("rolling")
    if not rolling:
        return last
    takes = tuple(take for _, part in rolling for take in build.taken(part))
    act = piece_act(row, names_of(rolling), build.pieces)
    act = replace(act, takes=takes, do=act.do.replace("Roll them", f"Roll them in {in_words(rolling)}", 1))
    found = [build.add(act, with_mixes(build, rolling, last))]
    uses_chocolate(build, act.id, rolling)
    return found


def topped(build: Build, last: list[After], *, is_wet: bool) -> list[After]:
    """Draw up what goes on top; on a slab that is not dipped that is done before it sets."""
    toppings = build.parts("topping")
    if is_wet and build.parts("coat"):
        toppings = [(at, part) for at, part in toppings if not part.is_chocolate or build.mix_of(at) is not None]
    if not toppings or build.has("toppings"):
        return last
    takes = tuple(take for _, part in toppings for take in build.taken(part))
    act = piece_act(piece.ON_TOP_WET if is_wet else piece.ON_TOP, names_of(toppings), build.pieces)
    act = replace(act, takes=takes, do=f"Use {in_words(toppings)}. {act.do}")
    found = [build.add(act, with_mixes(build, toppings, last))]
    uses_chocolate(build, act.id, toppings)
    if is_wet:
        return found
    sets = replace(piece_act(piece.COAT_SETS, names_of(toppings)), id="topping-sets", title="Let the toppings set")
    return [build.add(sets, found)]
