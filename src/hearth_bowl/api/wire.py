"""The wire: bodies are checked against models or the core's own dataclasses; answers are these, written as they are."""

import json
from collections.abc import Mapping
from typing import Any

from pydantic import BaseModel, ConfigDict
from spectree.model_adapter.protocol import SchemaMode
from spectree.model_adapter.pydantic_adapter import PydanticModelAdapter

from hearth_bowl.api.context import in_own_units

REFS = "#/components/schemas/"


class Incoming(BaseModel):
    """A body: nothing unknown, nothing converted, no NaN. Its check is built when it first comes in."""

    model_config = ConfigDict(extra="forbid", strict=True, allow_inf_nan=False, defer_build=True)


class Outgoing(BaseModel):
    """An answer that joins values of the layers below; what is one of their dataclasses goes out as that."""

    model_config = ConfigDict(defer_build=True)


def plain(model: BaseModel) -> dict[str, Any]:
    """Return a body as plain values, without what was not said."""
    return model.model_dump(exclude_none=True)


class Wire(PydanticModelAdapter):
    """Takes JSON strictly (lists may be tuples, text moments) and writes dataclasses without checking them anew."""

    def validate_obj(self, model: type[Any], value: Any) -> Any:
        """Return a body as its model has it.

        :raises ValidationError: naming the field.
        """
        if isinstance(value, model):
            return value
        return self._type_adapter(model).validate_json(json.dumps(value), strict=True, extra="forbid")

    def dump_json(self, value: Any) -> bytes:
        """Return an answer as JSON, its sentences in the person's own units."""
        text = (
            value.model_dump_json(fallback=_written)
            if isinstance(value, BaseModel)
            else self._type_adapter(type(value)).dump_json(value, fallback=_written).decode()
        )
        return in_own_units(text).encode()

    def json_schema(self, model: type[Any], *, ref_template: str, mode: SchemaMode = "validation") -> dict[str, Any]:
        """Return a schema: all of an answer is always there; what comes in has names of its own, ending in `In`."""
        schema: dict[str, Any] = _lists(self._type_adapter(model).json_schema(ref_template=ref_template, mode=mode))
        for part in (schema, *schema.get("$defs", {}).values()):
            if "properties" in part and mode == "serialization":
                part["required"] = list(part["properties"])
                part.pop("additionalProperties", None)
            elif "properties" in part:
                part["additionalProperties"] = False
        if mode == "serialization":
            return schema
        defs = schema.get("$defs", {})
        renamed = {name: incoming_name(name) for name in defs}
        found: dict[str, Any] = _with_refs(schema, {REFS + old: REFS + new for old, new in renamed.items()})
        if defs:
            found["$defs"] = {renamed[name]: part for name, part in found["$defs"].items()}
        return found


def _written(value: object) -> object:
    """Return what the validation library cannot write as something that it can: a read-only table as a plain one."""
    if isinstance(value, Mapping):
        return dict(value)
    raise TypeError(f"no JSON for {type(value).__name__}")


def incoming_name(name: str) -> str:
    """Return the name of a schema of what comes in."""
    return name if name.endswith("In") else f"{name}In"


def _lists(part: Any) -> Any:
    """Return a schema with tuples of one kind as lists of fixed length: tools know these better."""
    if isinstance(part, list):
        return [_lists(value) for value in part]
    if not isinstance(part, dict):
        return part
    items = part.get("prefixItems")
    if items and all(item == items[0] for item in items):
        part = {**{name: value for name, value in part.items() if name != "prefixItems"}, "items": items[0]}
    return {name: _lists(value) for name, value in part.items()}


def _with_refs(part: Any, refs: dict[str, str]) -> Any:
    if isinstance(part, dict):
        return {name: _with_refs(value, refs) for name, value in part.items()}
    if isinstance(part, list):
        return [_with_refs(value, refs) for value in part]
    return refs.get(part, part) if isinstance(part, str) else part
