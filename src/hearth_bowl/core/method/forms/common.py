"""What the forms share: names of parts, fillings of a mould, who uses which chocolate, mixes that are made as well."""

from collections.abc import Sequence

from hearth_bowl.core.confection.work_out import Worked, WorkedPart
from hearth_bowl.core.fit.vessel import Mould
from hearth_bowl.core.method.act import After
from hearth_bowl.core.method.build import Build, ChocolateUse, part_name


def names_of(parts: Sequence[tuple[int, WorkedPart]]) -> tuple[str, ...]:
    return tuple(dict.fromkeys(part_name(part) for _, part in parts))


def stays_cold(build: Build, *roles: str) -> bool:
    """Return whether some part of these roles is of a mix in which germs grow when it is warm."""
    mixes = (build.mix_of(at) for at, _ in build.parts(*roles))
    return any(mix is not None and mix.ending.stays_cold for mix in mixes)


def turns_of(worked: Worked) -> int:
    """Return how many times its moulds are filled."""
    return worked.turns or 1 if isinstance(worked.confection.form.vessel, Mould) else 1


def uses_chocolate(build: Build, act: str, parts: Sequence[tuple[int, WorkedPart]]) -> None:
    for at, part in parts:
        if part.is_chocolate and build.mix_of(at) is None:
            build.uses.append(ChocolateUse(act=act, part=part, share=1.0, phase="coat"))


def with_mixes(build: Build, parts: Sequence[tuple[int, WorkedPart]], last: list[After]) -> list[After]:
    """Return what comes before, with the mixes of some parts made as well."""
    found = list(last)
    for at, _ in parts:
        mix = build.mix_of(at)
        if mix is not None:
            found.append(build.make(mix))
    return found


def in_words(parts: Sequence[tuple[int, WorkedPart]]) -> str:
    """Return the names of some parts in a sentence."""
    names = list(dict.fromkeys(part.name[:1].lower() + part.name[1:] for _, part in parts))
    return " and ".join((", ".join(names[:-1]), names[-1])) if len(names) > 1 else names[0]
