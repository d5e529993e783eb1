"""Problems: every refusal is application/problem+json with the path of each field."""

from collections.abc import Iterator
from contextlib import contextmanager
from typing import Any, Final

from flask import Flask, Response
from pydantic import BaseModel, ConfigDict, ValidationError
from werkzeug.exceptions import HTTPException

from hearth_bowl.api.context import in_own_units
from hearth_bowl.core.errors import BadInput
from hearth_bowl.service.errors import ChangedMeanwhile, NotFound
from hearth_bowl.service.helper import Busy
from hearth_bowl.store.db import DiskFull, Locked

PROBLEM_TYPE: Final = "application/problem+json"
UNION_STEPS: Final = frozenset({"str", "OwnIngredientIn", "float", "int"})
"""Steps that the validation library adds to a path for the branch of a choice: no field has such a name."""
TOLD_APART: Final = frozenset({"ask", "what"})
"""Fields whose value is told apart by its kind: the validation library adds the kind to the path."""


class FieldProblem(BaseModel):
    """What was wrong at one field."""

    model_config = ConfigDict(json_schema_serialization_defaults_required=True)

    path: list[str | int]
    code: str
    message: str
    allowed: str


class Problem(BaseModel):
    """A refusal."""

    model_config = ConfigDict(json_schema_serialization_defaults_required=True)

    title: str
    status: int
    detail: str
    errors: list[FieldProblem] = []
    revision: int | None = None


def answer(problem: Problem) -> Response:
    """Return a problem as a response."""
    return Response(in_own_units(problem.model_dump_json()), status=problem.status, content_type=PROBLEM_TYPE)


@contextmanager
def under(*prefix: str) -> Iterator[None]:
    """Name the fields of a refusal as the body has them."""
    try:
        yield
    except BadInput as problem:
        raise problem.under(*prefix) from None


def bad_input(problem: BadInput) -> Response:
    """Return the answer to input that the core refuses."""
    error = FieldProblem(
        path=["body", *problem.field], code=problem.code, message=problem.message, allowed=problem.allowed
    )
    return answer(Problem(title="This cannot be taken", status=422, detail=str(problem), errors=[error]))


def not_valid(error: ValidationError) -> Response:
    """Return the answer to a body of the wrong form."""
    errors = [
        FieldProblem(
            path=["body", *_path(found["loc"])],
            code=found["type"].replace("_", "-"),
            message=found["msg"],
            allowed=_allowed(found),
        )
        for found in error.errors(include_url=False, include_input=False)[:20]
    ]
    return answer(Problem(title="This cannot be taken", status=422, detail=errors[0].message, errors=errors))


def _path(steps: tuple[str | int, ...]) -> list[str | int]:
    """Return the path of a field as the body has it."""
    kept: list[str | int] = []
    for before, step in zip((None, *steps), steps, strict=False):
        if step not in UNION_STEPS and before not in TOLD_APART:
            kept.append(step)
    return kept


def _allowed(found: Any) -> str:
    limits = [f"{name} {value}" for name, value in (found.get("ctx") or {}).items() if isinstance(value, int | float)]
    return ", ".join(limits) or "see the OpenAPI description"


def register_problems(app: Flask) -> None:
    """Map every exception to its answer."""

    @app.errorhandler(BadInput)
    def _bad_input(problem: BadInput) -> Response:
        return bad_input(problem)

    @app.errorhandler(NotFound)
    def _not_found(problem: NotFound) -> Response:
        return answer(Problem(title="Not here", status=404, detail=str(problem)))

    @app.errorhandler(ChangedMeanwhile)
    def _changed(problem: ChangedMeanwhile) -> Response:
        return answer(Problem(title="Changed meanwhile", status=409, detail=str(problem), revision=problem.revision))

    @app.errorhandler(DiskFull)
    def _full(_problem: DiskFull) -> Response:
        detail = "The disk that holds your data is full. Nothing was stored: make room, then try again."
        return answer(Problem(title="The disk is full", status=507, detail=detail))

    @app.errorhandler(Locked)
    def _locked(_problem: Locked) -> Response:
        detail = "Another program holds the data just now. Nothing was stored: try again."
        return answer(Problem(title="Busy", status=503, detail=detail))

    @app.errorhandler(Busy)
    def _busy(_problem: Busy) -> Response:
        detail = "Much is being worked out just now. Nothing was stored: try again in a moment."
        return answer(Problem(title="Busy", status=503, detail=detail))

    @app.errorhandler(HTTPException)
    def _http(problem: HTTPException) -> Response:
        if isinstance(problem.response, Response):
            return problem.response
        found = Problem(title=problem.name, status=problem.code or 500, detail=problem.description or problem.name)
        return answer(found)

    @app.errorhandler(Exception)
    def _unforeseen(problem: Exception) -> Response:
        app.logger.exception("an unforeseen error")
        detail = "Something went wrong here, not with what you gave. Nothing was half-saved."
        return answer(Problem(title="Our mistake", status=500, detail=detail))
