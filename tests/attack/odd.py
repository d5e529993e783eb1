"""Odd JSON: a good body with something changed in it, and bodies by their schema."""

import random
from typing import Any

ODD: tuple[Any, ...] = (
    None, True, False, 0, -1, 1, 0.5, 1e-308, 1e308, -1e308, 2**31, 2**63, -(2**63), 2**64, "", " ", "x", "x" * 5000,
    "nan", "NaN", "-0", "1/2", "½ cup", "\u0000", "\u202e", "🔭", "é" * 300, "'; DROP TABLE recipe; --",
    "../../etc/passwd",
    "<script>alert(1)</script>", "=HYPERLINK(1)",
    "2026-13-45", "0001-01-01T00:00:00+14:00", "9999-12-31T23:59:59Z",
    [], {}, [[]], [None], {"": None}, [0] * 600, {"a": {"b": {"c": {}}}},
)  # fmt: skip


def odd_in(body: Any, chance: random.Random) -> Any:
    """Return a body with one thing in it changed: replaced, left out, doubled or added."""
    if isinstance(body, dict) and body and chance.random() < 0.85:
        key = chance.choice(list(body))
        what = chance.random()
        if what < 0.12:
            return {name: value for name, value in body.items() if name != key}
        if what < 0.17:
            return {**body, chance.choice(("x", "id", "__proto__", "revision")): chance.choice(ODD)}
        return {**body, key: odd_in(body[key], chance)}
    if isinstance(body, list) and body and chance.random() < 0.85:
        at = chance.randrange(len(body))
        what = chance.random()
        if what < 0.1:
            return [*body[:at], *body[at + 1 :]]
        if what < 0.2:
            return [*body, body[at]] * chance.choice((1, 1, 1, 40))
        return [*body[:at], odd_in(body[at], chance), *body[at + 1 :]]
    if isinstance(body, int | float) and not isinstance(body, bool) and chance.random() < 0.5:
        return body * chance.choice((-1, 0, 0.001, 0.5, 1.5, 10, 1000, 1e9))
    return chance.choice(ODD)


def by_schema(schema: dict[str, Any], parts: dict[str, Any], chance: random.Random, depth: int = 0) -> Any:
    """Return a value that a schema lets in, or nearly."""
    if "$ref" in schema:
        return by_schema(parts[schema["$ref"].rsplit("/", 1)[1]], parts, chance, depth)
    for several in ("anyOf", "oneOf", "allOf"):
        if several in schema:
            return by_schema(chance.choice(schema[several]), parts, chance, depth)
    if "enum" in schema:
        return chance.choice(schema["enum"])
    if "const" in schema:
        return schema["const"]
    match schema.get("type"):
        case "object":
            found = {}
            for name, of in schema.get("properties", {}).items():
                if name in schema.get("required", ()) or (depth < 5 and chance.random() < 0.4):
                    found[name] = by_schema(of, parts, chance, depth + 1)
            return found
        case "array":
            count = schema.get("minItems", 0) + (chance.randrange(3) if depth < 5 else 0)
            return [by_schema(schema.get("items", {}), parts, chance, depth + 1) for _ in range(count)]
        case "string":
            return chance.choice(("dark60", "g", "pan", "roll", "2026-08-12T18:00:00Z", "2026-08-12", "x"))
        case "integer":
            return chance.randint(0, 12)
        case "number":
            return round(chance.uniform(-5, 500), 2)
        case "boolean":
            return chance.random() < 0.5
    return chance.choice(ODD)
