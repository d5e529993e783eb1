"""Photographs of batches: kept beside the database, made smaller, with nothing left of where they were taken."""

import io
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
from hearth_bowl.store.models import PhotographRow

LONGEST_PX: Final = 1600
QUALITY: Final = 84
MOST_A_BATCH: Final = 12
LARGEST_BYTES: Final = 20_000_000
MOST_PIXELS: Final = 80_000_000
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


def smaller(data: bytes) -> tuple[bytes, int, int]:
    """Return a picture as a JPEG of at most 1600 px, upright, without what cameras write into it; width and height.

    :raises BadInput: at `photograph`: no picture, or one too large.
    """
    allowed = "a picture (JPEG, PNG or WebP) of up to 20 MB"
    try:
        with Image.open(io.BytesIO(data), formats=("JPEG", "PNG", "WEBP")) as image:
            if image.width * image.height > MOST_PIXELS:
                raise BadInput(("photograph",), f"{image.width} x {image.height} px", allowed, "too-large")
            upright = ImageOps.exif_transpose(image).convert("RGB")
    except (UnidentifiedImageError, OSError, ValueError, Image.DecompressionBombError):
        raise BadInput(("photograph",), "is no picture that can be read", allowed, "not-a-picture") from None
    upright.thumbnail((LONGEST_PX, LONGEST_PX))
    bare = Image.new("RGB", upright.size)
    bare.paste(upright)
    out = io.BytesIO()
    bare.save(out, "JPEG", quality=QUALITY, optimize=True)
    return out.getvalue(), bare.width, bare.height


def keep_photograph(session: Session, folder: Path, batch_id: int, data: bytes, now: datetime) -> Photograph:
    """Keep a photograph of a batch.

    :raises NotFound: there is no such batch. :raises BadInput: at `photograph`.
    """
    batch_row(session, batch_id)
    if len(list_photographs(session, batch_id)) >= MOST_A_BATCH:
        raise BadInput(("photograph",), f"there are {MOST_A_BATCH} already", f"up to {MOST_A_BATCH}", "too-many")
    small, width, height = smaller(data)
    folder.mkdir(exist_ok=True)
    name = f"{batch_id}-{uuid4().hex}.jpg"
    fresh = folder / f"{name}.new"
    fresh.write_bytes(small)
    fresh.replace(folder / name)
    row = PhotographRow(batch_id=batch_id, at=now, file=name, width_px=width, height_px=height)
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
