"""What is seen of a batch: `hearth-bowl/seen`, and the answer of `diagnose`."""

from collections.abc import Mapping
from dataclasses import fields
from typing import Any, Final

from hearth_bowl.core.diagnose.diagnosis import Diagnosis, Seen
from hearth_bowl.core.diagnose.facts import YES_NO, Facts
from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.core.mass.kitchen import Kitchen
from hearth_bowl.formats.recipe_file import recipe_from
from hearth_bowl.formats.strict_json import check_format, read_json

FORMAT: Final = "hearth-bowl/seen"
KNOWN: Final = {field.name for field in fields(Facts)}


def read_seen(data: bytes) -> Seen:
    """Return what a file says is seen.

    :raises BadInput: naming the field as the file has it.
    """
    return seen_from(read_json(data, "seen"))


def seen_from(record: Mapping[str, Any]) -> Seen:
    """Return what a file's content says is seen; as `read_seen`."""
    check_format(record, FORMAT)
    recipe = record.get("recipe")
    if not isinstance(recipe, dict):
        raise BadInput(("recipe",), "is missing", "a recipe file's content", "missing")
    try:
        made = recipe_from(recipe)
    except BadInput as problem:
        raise problem.under("recipe") from None
    stage = record.get("stage")
    if not isinstance(stage, str):
        raise BadInput(("stage",), "is missing", "a stage, such as join", "missing")
    signs = record.get("seen")
    if not isinstance(signs, list) or not all(isinstance(sign, str) for sign in signs):
        raise BadInput(("seen",), "not a list of signs", 'such as ["grainy"]', "wrong-type")
    altitude = record.get("altitude_m")
    return Seen(
        recipe=made,
        stage=stage,
        signs=tuple(dict.fromkeys(signs)),
        mass_g=_number(record, "mass_g"),
        now_c=_number(record, "now_c"),
        facts=_facts({} if record.get("facts") is None else record["facts"]),
        answers=_answers({} if record.get("answers") is None else record["answers"]),
        kitchen=Kitchen()
        if altitude is None
        else Kitchen(altitude_m=check_number(("altitude_m",), altitude, -500, 9000, "m")),
    )


def _number(record: Mapping[str, Any], name: str) -> float | None:
    value = record.get(name)
    return None if value is None else check_number((name,), value, -1e9, 1e9)


def _facts(record: Any) -> Facts:
    if not isinstance(record, dict):
        raise BadInput(("facts",), "not an object", "an object of what is known", "wrong-type")
    unknown = next((name for name in record if name not in KNOWN), None)
    if unknown is not None:
        raise BadInput(("facts", unknown), "is not known here", ", ".join(sorted(KNOWN)), "unknown")
    known = {name: value for name, value in record.items() if value is not None}
    for name, value in known.items():
        if name in YES_NO or name == "hottest_when":
            wanted = bool if name in YES_NO else str
            if not isinstance(value, wanted):
                raise BadInput(("facts", name), "of another kind", "true, false or null", "wrong-type")
        elif name == "drops_of_water" and isinstance(value, bool):
            known[name] = float(value)
        elif isinstance(value, bool) or not isinstance(value, int | float):
            raise BadInput(("facts", name), "not a number", "a number or null", "not-a-number")
    return Facts(**known)


def _answers(record: Any) -> dict[str, str]:
    if not isinstance(record, dict):
        raise BadInput(("answers",), "not an object", "an object of answers", "wrong-type")
    answers = {}
    for key, value in record.items():
        if value is None:
            continue
        word = ("yes" if value else "no") if isinstance(value, bool) else value
        if not isinstance(word, str):
            raise BadInput(("answers", key), "not an answer", "one of its options", "wrong-type")
        answers[key] = word
    return answers


def diagnosis_answer(found: Diagnosis) -> dict[str, Any]:
    """Return the answer of `diagnose`."""
    answer, remedy, ask = found.answer, found.answer.remedy, found.ask
    return {
        "verdict": answer.verdict,
        "say": answer.say,
        "mass_g": found.mass_g,
        "causes": [
            {"cause": one.cause, "words": one.words, "share": one.share, "because": list(one.because)}
            for one in found.causes
        ],
        "ask": None
        if ask is None
        else {"key": ask.key, "question": ask.text, "options": [*ask.options, "not sure"], "why": ask.why},
        "remedy": None
        if remedy is None
        else {
            "do": remedy.do,
            "add": [{"ingredient": dose.ingredient.key or dose.ingredient.label, "g": dose.g} for dose in remedy.add],
            "work_c": None if remedy.work_c is None else list(remedy.work_c),
            "then": remedy.then,
        },
        "instead": answer.instead,
        "cautions": [{"code": one.code, "message": one.message} for one in found.cautions],
    }
