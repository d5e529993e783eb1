"""Everything as open files in one zip: recipes with their versions, confections, vessels, occasions, larder, shelf,
daybook and every batch."""

import json
import re
import zipfile
from datetime import datetime
from pathlib import Path
from typing import IO, Any, Final

from pydantic import TypeAdapter
from sqlalchemy import select
from sqlalchemy.orm import Session

from hearth_bowl.core.quantities import plain
from hearth_bowl.formats.larder_csv import write_larder
from hearth_bowl.service.batch_export import export_json
from hearth_bowl.service.confections import confection_record, list_confections
from hearth_bowl.service.daybook_files import daybook_csv
from hearth_bowl.service.larder import LarderItem, list_larder
from hearth_bowl.service.occasions import StoredOccasion, list_occasions
from hearth_bowl.service.recipes import recipe_names
from hearth_bowl.service.settings import Settings, get_settings
from hearth_bowl.service.sharing import shared_recipe
from hearth_bowl.service.shelf import Shelf, list_shelf
from hearth_bowl.service.vessels import list_vessels
from hearth_bowl.store.models import BatchRow, PhotographRow

NOT_IN_NAMES: Final = re.compile(r"[^\w -]+")
_ITEMS: Final = TypeAdapter(list[LarderItem])
_SHELF: Final = TypeAdapter(Shelf)
_SETTINGS: Final = TypeAdapter(Settings)
_OCCASION: Final = TypeAdapter(StoredOccasion)


def write_everything(session: Session, photographs: Path, out: IO[bytes], now: datetime) -> int:
    """Write all of a kitchen as open files into a zip; return how many files."""
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as bundle:
        for number, name in recipe_names(session).items():
            _add(bundle, f"recipes/{_named(number, name)}.json", shared_recipe(session, number))
        for confection in list_confections(session):
            name = _named(confection.id, confection.asked.name)
            _add(bundle, f"confections/{name}.json", confection_record(session, confection.id))
        for vessel in list_vessels(session):
            record = {"format": "hearth-bowl/vessel", "version": 1, "name": vessel.name, "owned": vessel.owned}
            _add(bundle, f"vessels/{_named(vessel.id, vessel.name)}.json", {**record, **vessel.vessel})
        for occasion in list_occasions(session):
            name = _named(occasion.id, occasion.asked.name)
            bundle.writestr(f"occasions/{name}.json", _OCCASION.dump_json(occasion, indent=1))
        items = _ITEMS.dump_python(list_larder(session), mode="json")
        bundle.writestr("larder.csv", write_larder(items))
        shelf = list_shelf(session, now.astimezone().date())
        bundle.writestr("shelf.json", _SHELF.dump_json(shelf, indent=1))
        bundle.writestr("settings.json", _SETTINGS.dump_json(get_settings(session), indent=1))
        bundle.writestr("daybook.csv", plain(daybook_csv(session)))
        for number, name in session.execute(select(BatchRow.id, BatchRow.name).order_by(BatchRow.id)).all():
            with bundle.open(f"batches/{_named(number, name)}.json", "w") as part:
                for text in export_json(session, number, now):
                    part.write(plain(text).encode())
        for file in session.scalars(select(PhotographRow.file)):
            if (photographs / file).is_file():
                bundle.write(photographs / file, f"photographs/{file}")
        return len(bundle.namelist())


def _add(bundle: zipfile.ZipFile, name: str, record: Any) -> None:
    bundle.writestr(name, json.dumps(record, ensure_ascii=False, allow_nan=False, indent=1))


def _named(number: int, name: str) -> str:
    """Return a file's name that any system takes."""
    return f"{number:04d} {NOT_IN_NAMES.sub('', name).strip()[:60]}".strip()
