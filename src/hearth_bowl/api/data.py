"""The kitchen's data: where it lies, backed up and put back, everything as open files."""

import shutil
import tempfile
from datetime import date
from pathlib import Path
from typing import Final, cast

from flask import Blueprint, current_app, request, send_file
from flask import Response as Answer
from spectree import Response

from hearth_bowl.api.context import database, now
from hearth_bowl.api.problems import Problem, answer
from hearth_bowl.api.spec import spec
from hearth_bowl.api.wire import Outgoing
from hearth_bowl.core.errors import BadInput
from hearth_bowl.service import backups as service
from hearth_bowl.service.backup_job import PREFIX, BackupJob, BackupMade
from hearth_bowl.service.everything import write_everything
from hearth_bowl.service.health import Health, damage_words
from hearth_bowl.service.photographs import folder_of
from hearth_bowl.store.backup import BackupTold, Damaged
from hearth_bowl.store.backup_read import BadBackup
from hearth_bowl.store.db import no_room_is_full

data = Blueprint("data", __name__, url_prefix="/api/data")
BLOCK: Final = 1 << 20


class ForgottenBackupsOut(Outgoing):
    """How many automatic backups were deleted."""

    deleted: int


@data.errorhandler(BadBackup)
def _bad_backup(problem: BadBackup) -> Answer:
    detail = f"{problem} Nothing was changed: the kitchen in {database().path.parent} stands as it was."
    return answer(Problem(title="This backup cannot be restored.", status=422, detail=detail))


@data.errorhandler(Damaged)
def _damaged(problem: Damaged) -> Answer:
    return answer(
        Problem(title="No backup was made", status=409, detail=damage_words(database().path.parent, str(problem)))
    )


@data.get("")
@spec.validate(resp=Response(HTTP_200=service.DataTold), operation_id="tellData")
def tell_data() -> service.DataTold:
    """Say where the data lies, how large it is, and what is kept of it."""
    return service.data_told(database(), cast(Health, current_app.extensions["hearth_bowl.health"]).warning)


@data.post("/backup")
@spec.validate(resp=Response(HTTP_202=BackupMade), operation_id="startBackup")
def start_backup() -> tuple[BackupMade, int]:
    """Start a backup, made beside everything else; its address says how far it is."""
    return _job().start(database(), now()), 202


@data.get("/backup")
@spec.validate(resp=Response(HTTP_200=BackupMade), operation_id="backupMade")
def backup_made() -> BackupMade:
    """Say how far the backup is that was started."""
    return _job().made


def _job() -> BackupJob:
    return cast(BackupJob, current_app.extensions["hearth_bowl.backup_job"])


@data.get("/backup.zip")
def backup() -> Answer:
    """Send the backup that was started and is ready, else make one now and send it."""
    if _job().made.state == "ready":
        file = _job().take()
        handle = file.open("rb")
        shutil.rmtree(file.parent, ignore_errors=True)
    else:
        with tempfile.TemporaryDirectory(dir=database().path.parent, prefix=PREFIX) as folder:
            file = Path(folder) / "backup.zip"
            service.backup_to(database(), file, now())
            handle = file.open("rb")
    name = f"hearth-bowl-{now().astimezone():%Y-%m-%d-%H%M}.zip"
    return send_file(handle, mimetype="application/zip", as_attachment=True, download_name=name)


@data.get("/automatic/<day>.zip")
def automatic(day: str) -> Answer:
    """Send an automatic backup."""
    try:
        wanted = date.fromisoformat(day)
    except ValueError:
        raise BadInput(("day",), f"“{day[:20]}” is not a date.", "a date such as 2026-08-12", "not-a-time") from None
    file = service.automatic_file(database().path.parent, wanted)
    name = f"hearth-bowl-{wanted.isoformat()}.zip"
    return send_file(file, mimetype="application/zip", as_attachment=True, download_name=name)


@data.delete("/automatic")
@spec.validate(resp=Response(HTTP_200=ForgottenBackupsOut), operation_id="forgetBackups")
def forget_automatic() -> ForgottenBackupsOut:
    """Delete all automatic backups: what was deleted since is gone from them too."""
    return ForgottenBackupsOut(deleted=service.forget_automatic(database().path.parent))


@data.post("/restore")
@spec.validate(resp=Response(HTTP_200=BackupTold, HTTP_422=Problem), operation_id="restoreData")
def restore() -> BackupTold:
    """Put a backup in the kitchen's place: the body is the file itself. What was there is kept aside."""
    with tempfile.NamedTemporaryFile(dir=database().path.parent, prefix="upload-") as file:
        with no_room_is_full():
            for block in iter(lambda: request.stream.read(BLOCK), b""):
                file.write(block)
            file.flush()
        return service.restore_from(database(), Path(file.name), now())


@data.get("/everything.zip")
def everything() -> Answer:
    """Send everything as open files, JSON and CSV."""
    out = tempfile.TemporaryFile()  # noqa: SIM115 - it is sent, and closed with the answer
    with database().reading() as session:
        write_everything(session, folder_of(database().path), out, now())
    out.seek(0)
    name = f"hearth-bowl-files-{now().astimezone():%Y-%m-%d}.zip"
    return send_file(out, mimetype="application/zip", as_attachment=True, download_name=name)
