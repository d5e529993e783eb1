"""Bodies that a kitchen takes, made from what it answers: what odd ones are made from."""

import json
from datetime import UTC, datetime
from typing import Any

from flask.testing import FlaskClient

AT = "2026-08-12T18:00:00Z"
CARD = (
    "Midnight fudge\nServes 12\n450 g granulated sugar\n300 ml milk\n60 g butter\n1 tsp vanilla\nBoil to 116 C, beat."
)
HAPPENED: tuple[dict[str, Any], ...] = (
    {"kind": "step", "step": 1, "key": "x"},
    {"kind": "mark", "name": "it thickened", "c": 50.0},
    {"kind": "note", "text": "stirred"},
    {"kind": "weight", "position": 0, "g": 200.0},
    {"kind": "gate", "key": "x", "answer": "yes"},
    {"kind": "verdict", "words": ["grainy"], "text": "a little"},
    {"kind": "probe", "probe_id": "oven"},
    {"kind": "end"},
)


def good_bodies(client: FlaskClient) -> dict[str, list[Any]]:
    """Return bodies by the operation that takes them."""

    def got(path: str) -> Any:
        return client.get(f"/api/{path}").get_json()

    stored = [got(f"recipes/{number}") for number in range(1, 12)]
    recipes = [one["recipe"] for one in stored]
    confections = got("confections")["confections"]
    asked = [one["asked"] for one in confections]
    occasion = got("occasions")["occasions"][0]["asked"]
    vessels = [row["vessel"] for row in got("vessels")["vessels"]]
    kept = [got(f"recipes/{number}/fit") for number in range(1, 12)]
    fits = [
        {"recipe": recipe, "vessel": vessel, "ask": fit["ask"]}
        for recipe, fit in zip(recipes, kept, strict=True)
        for vessel in vessels
        if fit.get("ask") and fit["ask"]["kind"] == vessel["kind"]
    ]
    tasks = [task["id"] for task in got("occasions/1/order")["answer"]["tasks"]][:20]
    events = [[{"client_key": f"k{number}", "at": AT, "what": what}] for number, what in enumerate(HAPPENED)]
    shared = [json.dumps({"format": "hearth-bowl/shared", "version": 1, "recipes": [{"recipe": recipes[0]}]})]
    shared += [client.get(f"/api/recipes/{number}/recipe.json").text for number in (1, 4)]
    body = {"ask": got("set/places")["usual"][""]}
    today = datetime.now(UTC).date().isoformat()
    return {
        "createRecipe": [{"recipe": recipe} for recipe in recipes],
        "saveRecipe": [{"recipe": one["recipe"], "revision": one["revision"]} for one in stored],
        "computeFormula": [{"recipe": recipe, "at_c": 20.0} for recipe in recipes],
        "assess": [{"recipe": recipe, "at_c": 18.0} for recipe in recipes],
        "balance": [{"recipe": recipe, "aims": {"mass_g": 700.0}} for recipe in recipes],
        "swap": [{"recipe": recipe, "position": 0, "ingredient": "cream48"} for recipe in recipes],
        "onlyThisMuch": [{"recipe": recipe, "position": 0, "typed": "200 g"} for recipe in recipes],
        "compare": [{"first": recipes[0], "second": recipe} for recipe in recipes],
        "cook": [{"recipe": recipe, "water_pct": 12.0} for recipe in recipes],
        "fit": fits,
        "nearConfections": asked,
        "otherVessels": asked,
        "useAmounts": [{"recipe_id": number, "revision": 1} for number in range(1, 12)],
        "keepFit": kept,
        "createConfection": asked,
        "workOutConfection": asked,
        "saveConfection": [{"asked": one["asked"], "revision": one["revision"]} for one in confections],
        "labelConfection": [{"asked": one, "made": "2026-08-12"} for one in asked],
        "anotherConfection": [{"asked": one, "chocolate": "milk33"} for one in asked],
        "shareTin": [{"asked": one} for one in asked],
        "createOccasion": [occasion],
        "workOutOccasion": [occasion],
        "served": [occasion],
        "whatIf": [{"asked": occasion, "change": "cook"}],
        "saveOccasion": [{"asked": occasion, "revision": 1}],
        "planOrder": [{"effort": "first"}],
        "taskHappened": [{"task": task, "what": "done", "at": "2026-08-12T18:00:00"} for task in tasks],
        "startBatch": [{"recipe_id": number, "choices": {}} for number in range(1, 12)],
        "planBatch": [{"recipe_id": number, "choices": {}} for number in range(1, 12)],
        "addEvents": [{"events": each} for each in events],
        "addReadings": [{"c": 80.0}, {"readings": [{"c": 80.5, "at": AT}]}],
        "addWeights": [{"weights": [{"g": 200.0, "at": AT}]}],
        "startTimer": [{"name": "Rest", "seconds": 600.0, "key": "a"}, {"name": "Set", "seconds": 5.0, "batch_id": 1}],
        "changeTimer": [{"more_s": 60.0}, {"paused": True}, {"stopped": True}],
        "saveSettings": [got("settings")],
        "saveLarderItem": [{"label": "dark60", "pack_g": 200.0, "price": 3.5, "in_house_g": 900.0}],
        "makeKnown": [{"name": "Comet dust", "like": "sugar_icing", "allergens": []}],
        "readLabel": [{"kind": "dark", "fat": 38.0, "carbohydrate": 45.0, "sugars": 40.0, "protein": 6.0}],
        "addMaking": [{"client_key": "m", "confection_id": 1, "made_on": "2026-08-12", "pieces": 20}],
        "moveMaking": [{"client_key": "n", "on_day": today, "pieces": 2, "what": "eaten"}],
        "createVessel": [{"name": "Mine", "vessel": vessel, "owned": 1} for vessel in vessels],
        "saveVessel": [{"name": "Mine", "vessel": vessel, "owned": 2} for vessel in vessels],
        "diagnose": [{"recipe_id": 1, "seen": ["grainy"], "stage": "join", "now_c": 40.0, "mass_g": 640.0}],
        "setClock": [{**body, "recipe": recipe} for recipe in recipes],
        "setBeside": [{**body, "recipe": recipe} for recipe in recipes],
        "temper": [{"chocolate": "dark60", "mass_g": 500.0}],
        "readRecipe": [{"text": CARD}],
        "otherReadings": [{"text": "2 cups cream"}],
        "lookAtShared": [{"text": text} for text in shared],
        "takeShared": [{"text": text, "choices": {}} for text in shared],
        "keepVersion": [{"name": "For piping"}],
        "findRecipes": [{"words": "dark"}, {"words": "", "after": 3}],
        "newCode": [{"role": "cook"}],
        "newKey": [{"name": "Gateway"}],
        "startRecipe": [{"family": "cream-ganache", "use": "roll", "chocolate": "dark60"}],
        "putAwayRecipe": [{"away": True}],
    }
