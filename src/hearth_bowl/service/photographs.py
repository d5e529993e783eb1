"""Photographs of batches: kept beside the database, made smaller, with nothing left of where they were taken."""

import io
import threading
from dataclasses import dataclass
from datetime import datetime
from pathlib import Path
from typing import Final
from uuid import uuid4

from PIL import Image, ImageOps, UnidentifiedImageError
from sqlalchemy import select
from sqlalchemy.orm import Session

from hearth_bowl.core.errors import BadInput
from hearth_bowl.service.batches import batch_row
from hearth_bowl.service.errors import NotFound
from hearth_bowl.store.db import no_room_is_full
from hearth_bowl.store.models import PhotographRow

LONGEST_PX: Final = 1600
QUALITY: Final = 84
MOST_A_BATCH: Final = 12
LARGEST_BYTES: Final = 20_000_000
MOST_PIXELS: Final = 50_000_000
"""As many as telephones take. A judgement."""
ONE_AT_A_TIME: Final = threading.Lock()
"""A picture takes up to 200 MB while it is made smaller: the others wait."""
SCALED: Final = ("L", "RGB", "RGBA", "CMYK", "YCbCr")
"""Modes of the imaging library that are made smaller as they are."""
FOLDER: Final = "photographs"


@dataclass(frozen=True, slots=True, kw_only=True)
class Photograph:
    """A photograph of a batch, as it is kept."""

    id: int
    batch_id: int
    at: datetime
    width_px: int
    height_px: int


def folder_of(database: Path) -> Path:
    """Return where the photographs of a database lie."""
    return database.parent / FOLDER


@dataclass(frozen=True, slots=True, kw_only=True)
class Smaller:
    """A picture as it is kept: a JPEG, its width and height."""

    jpeg: bytes
    width_px: int
    height_px: int


def smaller(data: bytes) -> Smaller:
    """Return a picture of at most 1600 px, upright, without what cameras write into it.

    It takes a second or two: no transaction is open meanwhile.

    :raises BadInput: at `photograph`: no picture, or one too large.
    """
    allowed = "a picture (JPEG, PNG or WebP) of up to 20 MB"
    try:
        with Image.open(io.BytesIO(data), formats=("JPEG", "PNG", "WEBP")) as image:
            size = image.size
            if size[0] * size[1] <= MOST_PIXELS:
                with ONE_AT_A_TIME:
                    return _smaller(image)
    except (UnidentifiedImageError, OSError, ValueError, Image.DecompressionBombError):
        raise BadInput(("photograph",), "is no picture that can be read", allowed, "not-a-picture") from None
    allowed = f"up to {MOST_PIXELS / 1e6:.0f} million pixels"
    raise BadInput(("photograph",), f"{size[0]} x {size[1]} px", allowed, "too-large")


def _smaller(image: Image.Image) -> Smaller:
    image.draft("RGB", (LONGEST_PX, LONGEST_PX))  # a JPEG is read at a half or less
    small = image if image.mode in SCALED else image.convert("RGBA" if "transparency" in image.info else "RGB")
    small.thumbnail((LONGEST_PX, LONGEST_PX))
    upright = ImageOps.exif_transpose(small).convert("RGB")
    bare = Image.new("RGB", upright.size)
    bare.paste(upright)
    out = io.BytesIO()
    bare.save(out, "JPEG", quality=QUALITY, optimize=True)
    return Smaller(jpeg=out.getvalue(), width_px=bare.width, height_px=bare.height)


def keep_photograph(session: Session, folder: Path, batch_id: int, small: Smaller, now: datetime) -> Photograph:
    """Keep a photograph of a batch.

    :raises NotFound: there is no such batch. :raises BadInput: at `photograph`. :raises DiskFull: no room is left.
    """
    batch_row(session, batch_id)
    if len(list_photographs(session, batch_id)) >= MOST_A_BATCH:
        raise BadInput(("photograph",), f"there are {MOST_A_BATCH} already", f"up to {MOST_A_BATCH}", "too-many")
    name = f"{batch_id}-{uuid4().hex}.jpg"
    fresh = folder / f"{name}.new"
    try:
        with no_room_is_full():
            folder.mkdir(exist_ok=True)
            fresh.write_bytes(small.jpeg)
            fresh.replace(folder / name)
    finally:
        fresh.unlink(missing_ok=True)
    row = PhotographRow(batch_id=batch_id, at=now, file=name, width_px=small.width_px, height_px=small.height_px)
    session.add(row)
    session.flush()
    return _photograph(row)


def list_photographs(session: Session, batch_id: int) -> list[Photograph]:
    """Return the photographs of a batch, the first first."""
    rows = session.scalars(select(PhotographRow).where(PhotographRow.batch_id == batch_id).order_by(PhotographRow.id))
    return [_photograph(row) for row in rows]


def photograph_file(session: Session, folder: Path, photograph_id: int) -> Path:
    """Return the file of a photograph.

    :raises NotFound: there is none.
    """
    row = session.get(PhotographRow, photograph_id)
    if row is None or not (folder / row.file).is_file():
        raise NotFound("photograph", photograph_id)
    return folder / row.file


def delete_photograph(session: Session, folder: Path, photograph_id: int) -> None:
    """Delete a photograph, its file too.

    :raises NotFound: there is none.
    """
    row = session.get(PhotographRow, photograph_id)
    if row is None:
        raise NotFound("photograph", photograph_id)
    session.delete(row)
    session.flush()
    (folder / row.file).unlink(missing_ok=True)


def sweep_photographs(session: Session, folder: Path) -> int:
    """Delete the files of photographs that are of no batch any more; return how many."""
    if not folder.is_dir():
        return 0
    kept = set(session.scalars(select(PhotographRow.file)))
    strays = [file for file in folder.iterdir() if file.name not in kept]
    for file in strays:
        file.unlink(missing_ok=True)
    return len(strays)


def _photograph(row: PhotographRow) -> Photograph:
    return Photograph(id=row.id, batch_id=row.batch_id, at=row.at, width_px=row.width_px, height_px=row.height_px)
