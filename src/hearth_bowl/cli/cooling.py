"""The verb cool: a slab, a bowl that is stirred, a bowl left alone, a small body."""

import argparse
from dataclasses import replace
from typing import Any, Final

from hearth_bowl.cli.parser import Parser, number
from hearth_bowl.core.cooling.bowl import BOWL_H, SMALL_H, small_s, stirred_s
from hearth_bowl.core.cooling.places import PLACES, faces, place_named
from hearth_bowl.core.cooling.slab import Slab, slab_s
from hearth_bowl.core.cooling.unstirred import HALF_BALL_DEPTH, USUAL_DEPTH, Tub, unstirred_s
from hearth_bowl.core.errors import BadInput
from hearth_bowl.core.mass.thermal import GANACHE, Thermal
from hearth_bowl.formats.answers import minutes_answer

OF_ALL: Final = ("--from-c", "--to-c", "--ambient-c", "--latent-kj-per-kg")
NUMBERS: Final = {
    "slab": ("--thickness-mm", "--h-top", "--h-base"),
    "stirred bowl": ("--bowl-kg", "--area-m2", "--h", "--cp"),
    "bowl left alone": ("--bowl-kg", "--depth-over-radius", "--h-top", "--h-side", "--h-base", "--k", "--rho", "--cp"),
    "small body": ("--volume-ml", "--area-cm2", "--h"),
}
WORDS: Final = ("--base", "--cover")
FLAGS: Final = {
    "slab": ("--both-faces",),
    "bowl left alone": ("--unstirred", "--half-ball"),
    "small body": ("--small",),
}
SAYS_FACES: Final = ("slab", "bowl left alone")


def cooling_parsers() -> dict[str, Parser]:
    """Return the parser of this verb."""
    cooling = Parser("cool", answer_cool)
    numbers = dict.fromkeys((*OF_ALL, *(name for names in NUMBERS.values() for name in names)))
    for name in numbers:
        cooling.option(name, type=number, required=name in ("--from-c", "--to-c"))
    for name in ("--place", *WORDS):
        cooling.option(name)
    for names in FLAGS.values():
        for name in names:
            cooling.option(name, action="store_true")
    return {"cool": cooling}


def answer_cool(options: argparse.Namespace) -> dict[str, Any]:
    """Answer `cool --thickness-mm`, `cool --bowl-kg`, `cool --bowl-kg --unstirred` or `cool --small`."""
    body = _body(options)
    taken = {*NUMBERS[body], *FLAGS.get(body, ()), *(WORDS if body in SAYS_FACES else ())}
    every = (*(name for names in (*NUMBERS.values(), *FLAGS.values()) for name in names), *WORDS)
    for name in every:
        field = name.removeprefix("--").replace("-", "_")
        if name not in taken and getattr(options, field) not in (None, False):
            raise BadInput((field,), f"does not apply to a {body}", "leave it out")
    return minutes_answer(ANSWERS[body](options))


def _body(options: argparse.Namespace) -> str:
    if options.small:
        return "small body"
    if (options.thickness_mm is not None) == (options.bowl_kg is not None):
        raise BadInput(
            ("thickness_mm",),
            "a slab, a bowl or a small body is needed",
            "--thickness-mm, --bowl-kg or --small",
            "missing",
        )
    if options.thickness_mm is not None:
        return "slab"
    return "bowl left alone" if options.unstirred else "stirred bowl"


def _slab_s(options: argparse.Namespace) -> float:
    top, base = _faces(options)
    slab = Slab(thickness_mm=options.thickness_mm, h_top=top, h_base=base, thermal=_thermal(options))
    return slab_s(slab, options.from_c, options.to_c, _ambient_c(options))


def _stirred_s(options: argparse.Namespace) -> float:
    area_m2 = _needed(options, "area_m2", "the bowl's cooling surface in m², or --unstirred")
    h = BOWL_H if options.h is None else options.h
    return stirred_s(options.bowl_kg, area_m2, options.from_c, options.to_c, _ambient_c(options), h, _thermal(options))


def _unstirred_s(options: argparse.Namespace) -> float:
    top, base = _faces(options)
    if options.half_ball and options.depth_over_radius is not None:
        raise BadInput(("depth_over_radius",), "a half ball has its own depth", "one of the two", "not-allowed")
    depth = HALF_BALL_DEPTH if options.half_ball else options.depth_over_radius
    tub = Tub(
        mass_kg=options.bowl_kg,
        depth_over_radius=USUAL_DEPTH if depth is None else depth,
        h_top=top,
        h_side=place_named(options.place).h_top if options.h_side is None else options.h_side,
        h_base=base,
        thermal=_thermal(options),
    )
    return unstirred_s(tub, options.from_c, options.to_c, _ambient_c(options))


def _small_s(options: argparse.Namespace) -> float:
    volume_ml = _needed(options, "volume_ml", "its volume in ml")
    area_cm2 = _needed(options, "area_cm2", "its whole surface in cm²")
    h = SMALL_H if options.h is None else options.h
    return small_s(volume_ml, area_cm2, options.from_c, options.to_c, _ambient_c(options), h, _thermal(options))


ANSWERS: Final = {"slab": _slab_s, "stirred bowl": _stirred_s, "bowl left alone": _unstirred_s, "small body": _small_s}


def _faces(options: argparse.Namespace) -> tuple[float, float]:
    if options.place is None:
        raise BadInput(("place",), "is missing", ", ".join(PLACES), "missing")
    top, base = faces(options.place, options.base, options.cover or "none", both=options.both_faces)
    top = top if options.h_top is None else options.h_top
    base = base if options.h_base is None else options.h_base
    return top, top if options.both_faces and options.h_base is None else base


def _thermal(options: argparse.Namespace) -> Thermal:
    said = {
        "latent_kj_per_kg": options.latent_kj_per_kg,
        "cp_j_per_kgk": options.cp,
        "conductivity_w_per_mk": options.k,
        "density_kg_per_m3": options.rho,
    }
    return replace(GANACHE, **{name: value for name, value in said.items() if value is not None})


def _needed(options: argparse.Namespace, field: str, allowed: str) -> float:
    value = getattr(options, field)
    if value is None:
        raise BadInput((field,), "is missing", allowed, "missing")
    return float(value)


def _ambient_c(options: argparse.Namespace) -> float:
    if options.ambient_c is not None:
        return float(options.ambient_c)
    return place_named(options.place or "counter").ambient_c
