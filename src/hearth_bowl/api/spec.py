"""The OpenAPI description and the check of what comes in."""

from functools import partial
from typing import Any

from flask import abort
from pydantic import ValidationError
from spectree import SpecTree

from hearth_bowl import __version__
from hearth_bowl.api.problems import Problem, not_valid
from hearth_bowl.api.wire import Wire, incoming_name


def _refuse(_request: object, _response: object, error: Exception | None, *_: object) -> None:
    if isinstance(error, ValidationError):
        abort(not_valid(error))


class LateSpec(SpecTree):
    """Works the schemas of bodies out when the description is first asked for, not at every start.

    A dataclass that comes in as a whole body has a name of its own there, ending in `In`.
    """

    def _add_model(self, model: Any, mode: Any = "validation") -> str:
        self._later: dict[str, tuple[Any, Any]] = getattr(self, "_later", {})
        key = incoming_name(model.__name__) if mode == "validation" else str(model.__name__)
        self._later[key] = (model, mode)
        return key

    def _generate_spec(self) -> dict[str, Any]:
        for key, (model, mode) in self._later.items():
            self.naming_strategy = partial(_named, key)
            super()._add_model(model, mode)
        self.naming_strategy = _name
        return super()._generate_spec()


def _named(key: str, _model: Any) -> str:
    return key


def _name(model: Any) -> str:
    return str(model.__name__)


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
    naming_strategy=_name,
    nested_naming_strategy=lambda _parent, child: child,
    model_adapter=Wire(),  # type: ignore[arg-type]  # its own type is narrower than the protocol
)
