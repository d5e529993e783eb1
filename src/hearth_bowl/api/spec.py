"""The OpenAPI description and the check of what comes in."""

from typing import Any

from flask import abort
from pydantic import BaseModel, ConfigDict, ValidationError
from spectree import SpecTree

from hearth_bowl import __version__
from hearth_bowl.api.problems import Problem, not_valid


def _refuse(_request: object, _response: object, error: Exception | None, *_: object) -> None:
    if isinstance(error, ValidationError):
        abort(not_valid(error))


class LateSpec(SpecTree):
    """Works the schemas of bodies out when the description is first asked for, not at every start."""

    def _add_model(self, model: Any, mode: Any = "validation") -> str:
        self._later: dict[str, tuple[Any, Any]] = getattr(self, "_later", {})
        key = self.naming_strategy(model)
        self._later[key] = (model, mode)
        return key

    def _generate_spec(self) -> dict[str, Any]:
        for model, mode in self._later.values():
            super()._add_model(model, mode)
        return super()._generate_spec()


spec = LateSpec(
    "flask",
    title="Hearth Bowl",
    version=__version__,
    path="description",
    filename="openapi.json",
    page_templates={},
    mode="strict",
    before=_refuse,
    validation_error_model=Problem,
    naming_strategy=lambda model: model.__name__,
    nested_naming_strategy=lambda _parent, child: child,
)


class Incoming(BaseModel):
    """A body: nothing unknown, nothing converted, no NaN. Its check is built when it first comes in."""

    model_config = ConfigDict(extra="forbid", strict=True, allow_inf_nan=False, defer_build=True)


class Outgoing(BaseModel):
    """An answer, made from the values of the layers below."""

    model_config = ConfigDict(from_attributes=True, json_schema_serialization_defaults_required=True, defer_build=True)


def plain(model: BaseModel) -> dict[str, Any]:
    """Return a body as plain values, without what was not said."""
    return model.model_dump(exclude_none=True)
