"""The daybook through the door: found, laid over each other, changed from, taught from, photographed, in and out."""

import io
import json
from concurrent.futures import ThreadPoolExecutor
from typing import Any

from PIL import Image

from hearth_bowl.service import photographs
from tests.api.app_case import AppCase


class WithSeason(AppCase):
    demo = True
    season = True

    def get(self, path: str) -> Any:
        answer = self.client.get(path)
        self.assertEqual(answer.status_code, 200, answer.text)
        return answer.get_json()

    def found(self, query: str) -> list[dict[str, Any]]:
        rows: list[dict[str, Any]] = self.get(f"/api/batches?most=200&{query}")["batches"]
        return rows

    def tell(self, batch: int, *happened: dict[str, Any]) -> None:
        started = self.get(f"/api/batches/{batch}")["batch"]["started_at"]
        events = [
            {"client_key": f"t{number}-{what['kind']}", "at": started, "what": what}
            for number, what in enumerate(happened)
        ]
        answer = self.client.post(f"/api/batches/{batch}/events", json={"events": events})
        self.assertEqual(answer.status_code, 200, answer.text)


class Found(WithSeason):
    def test_a_season_is_found_by_words_family_month_verdict_and_trouble(self) -> None:
        everything = self.found("")
        self.assertEqual(len(everything), 26)
        self.assertEqual(
            [row["started_at"] for row in everything], sorted((row["started_at"] for row in everything), reverse=True)
        )
        self.assertTrue(all(len(row["sketch"]) > 5 for row in everything))
        self.assertEqual({row["name"] for row in self.found("words=PERSEID+fudge")}, {"Perseid fudge"})
        self.assertEqual(len(self.found("words=telephone")), 1)
        self.assertEqual(
            {row["name"] for row in self.found("words=hazelnut")},
            {"Eyepiece hazelnut paste", "First-light milk filling"},
        )
        self.assertEqual({row["family"] for row in self.found("family=boiled-fudge")}, {"boiled-fudge"})
        self.assertTrue(all(row["started_at"].startswith("2026-03") for row in self.found("month=2026-03")))
        self.assertEqual([row["name"] for row in self.found("verdict=spoiled")], ["Cloud-cover cheese centres"])
        troubled = self.found("trouble=true")
        self.assertTrue(troubled and all(row["verdict"] != ["just right"] for row in troubled))
        self.assertEqual(self.found("words=per%25cent_"), [])
        self.refused("GET", "/api/batches?month=soon", 422)

    def test_pages_of_what_is_looked_for_join_without_a_gap(self) -> None:
        ids, before = [], ""
        while True:
            page = self.get(f"/api/batches?words=fudge&most=3{before}")
            ids += [row["id"] for row in page["batches"]]
            if page["before"] is None:
                break
            before = f"&before={page['before']}"
        self.assertEqual(ids, [row["id"] for row in self.found("words=fudge")])

    def test_a_verdict_and_its_notes_are_found_at_once(self) -> None:
        self.tell(3, {"kind": "verdict", "words": ["grainy"], "text": "Zodiacal light tonight"})
        self.assertEqual([row["id"] for row in self.found("words=zodiacal+grainy")], [3])


class LaidOver(WithSeason):
    def test_two_boils_differ_by_what_explains_their_verdicts(self) -> None:
        found = self.get("/api/batches/laid-over?ids=2,6")
        self.assertEqual([len(one["trace"]["stretches"]) for one in found["batches"]], [1, 1])
        keys = [moment["key"] for moment in found["moments"]]
        self.assertIn("boil", keys)
        said = found["against"][0]["differences"]
        self.assertEqual(said[0]["source"], "verdict")
        self.assertRegex(
            said[0]["says"],
            r"lost \d+ g more water; that is why it turned out just right and the"
            " first too soft",
        )
        self.assertEqual((said[1]["source"], said[1]["makes"]), ("readings", "firmer"))

    def test_weights_are_told_and_one_batch_alone_is_refused(self) -> None:
        says = [one["says"] for one in self.get("/api/batches/laid-over?ids=1,8")["against"][0]["differences"]]
        self.assertTrue(any("22 g too little went into the second" in words for words in says), says)
        self.refused("GET", "/api/batches/laid-over?ids=2", 422)
        self.refused("GET", "/api/batches/laid-over?ids=2,x", 422)
        self.refused("GET", "/api/batches/laid-over?ids=2,999", 404)


class Next(WithSeason):
    def test_a_boil_ends_hotter_in_the_next_version_and_its_run_aims_there(self) -> None:
        (change,) = self.get("/api/batches/2/page")["changes"]
        self.assertIn("1.5 °C hotter", change["words"])
        recipe = self.get("/api/batches/2")["batch"]["recipe_id"]

        def end_c() -> float:
            plan = self.client.post("/api/batches/plan", json={"recipe_id": recipe}).get_json()
            return float(sum(next(step["target_c"] for step in plan["steps"] if step["key"] == "boil")) / 2)

        before = end_c()
        made = self.client.post("/api/batches/2/versions", json={"number": 0})
        self.assertEqual(made.status_code, 201, made.text)
        stored = self.get(f"/api/recipes/{recipe}")["recipe"]
        self.assertEqual(stored["end_shift_k"], 1.5)
        learned = 0.4  # without a shift of its own the run goes by what the verdicts taught
        self.assertAlmostEqual(end_c(), before + 1.5, delta=learned)
        self.assertEqual(made.get_json()["version"], 2)
        self.refused("POST", "/api/batches/2/versions", 422, json={"number": 7})

    def test_a_firm_ganache_gets_less_chocolate_by_as_much_of_the_recipe_as_it_stands(self) -> None:
        changes = self.get("/api/batches/1/page")["changes"]
        self.assertIn("less dark chocolate", changes[0]["words"])
        self.client.post("/api/batches/1/versions", json={"number": 0})
        grams = next(
            row["amount"] for row in self.get("/api/recipes/1")["recipe"]["lines"] if row["ingredient"] == "dark64"
        )
        self.assertAlmostEqual(grams, changes[0]["amounts_g"]["2"], delta=1)
        self.assertLess(grams, 380)

    def test_made_again_it_is_the_same_and_no_more_asks_than_it_may(self) -> None:
        run = self.client.post("/api/batches/2/again", json={}).get_json()
        old = self.get("/api/batches/2")
        self.assertEqual(run["recipe"], old["recipe"])
        self.assertEqual([step["title"] for step in run["steps"]], [step["title"] for step in old["steps"]])
        self.assertIsNone(run["batch"]["ended_at"])
        self.assertEqual(self.get("/api/batches/2/page")["changes"][0]["end_shift_k"], 1.5)

    def test_planned_stands_beside_actual(self) -> None:
        rows = {row["name"]: row for row in self.get("/api/batches/16/page")["planned"]}
        self.assertTrue(rows["Boil to the end, hottest"]["is_off"])
        self.assertFalse(rows["Let it cool untouched"]["is_off"])


class Learned(WithSeason):
    def test_the_season_taught_its_kitchen(self) -> None:
        found = {row["what"]: row for row in self.get("/api/learned")["learned"]}
        self.assertTrue(1.1 < found["cooling:fridge/slab"]["value"] < 1.4)
        self.assertTrue(1.15 < found["burst:850 W"]["value"] < 1.45)
        self.assertGreater(found["set:dark64"]["value"], 0.2)
        self.assertGreater(found["loss:mould"]["value"], 1.1)
        self.assertIn("slower than usual (", found["cooling:fridge/slab"]["says"])
        self.assertEqual(found["set:dark64"]["title"], "How firm Dark chocolate 64 % sets")

    def test_where_a_prediction_is_used_the_learned_one_takes_its_place_until_all_is_forgotten(self) -> None:
        recipe = self.get("/api/recipes/1")["recipe"]
        ask = {"state": "roll", "from_c": 36.0, "place": "fridge", "thickness_mm": 16.0, "cover": "film"}

        def clock() -> dict[str, Any]:
            found: dict[str, Any] = self.client.post("/api/set/clock", json={"recipe": recipe, "ask": ask}).get_json()
            return found

        def steps() -> list[dict[str, Any]]:
            found: list[dict[str, Any]] = self.client.post("/api/batches/plan", json={"recipe_id": 11}).get_json()[
                "steps"
            ]
            return found

        mine = clock()
        self.assertGreater(mine["cool_min"][1], 1.1 * mine["textbook_min"])
        self.assertGreater(mine["learned_batches"], 10)
        self.assertTrue(any("by" in step["learned"] for step in steps()))
        bench = self.client.post("/api/formula", json={"recipe": recipe}).get_json()
        self.assertGreater(bench["learned"]["index"], 3.0)
        self.assertGreater(self.client.delete("/api/learned").get_json()["batches"], 20)
        book = clock()
        self.assertAlmostEqual(book["cool_min"][1], mine["textbook_min"])
        self.assertIsNone(book["textbook_min"])
        self.assertFalse(any(step["learned"] for step in steps()))
        self.assertIsNone(self.client.post("/api/formula", json={"recipe": recipe}).get_json()["learned"])
        self.assertEqual(len(self.found("")), 26)

    def test_one_batch_left_out_counts_no_more_and_comes_back(self) -> None:
        def entries() -> int:
            rows = {row["what"]: row for row in self.get("/api/learned")["learned"]}
            return int(rows["set:dark64"]["entries"])

        before = entries()
        self.assertEqual(self.client.put("/api/batches/1/teaches", json={"teaches": False}).status_code, 204)
        self.assertEqual(entries(), before - 1)
        self.client.put("/api/batches/1/teaches", json={"teaches": True})
        self.assertEqual(entries(), before)
        self.refused("PUT", "/api/batches/999/teaches", 404, json={"teaches": True})

    def test_a_run_teaches_from_what_it_records_anyway(self) -> None:
        self.client.delete("/api/learned")
        run = self.client.post("/api/batches", json={"recipe_id": 1}).get_json()
        batch = run["batch"]["id"]
        ask = {"state": "roll", "from_c": 36.0, "place": "larder", "thickness_mm": 16.0}
        self.tell(
            batch,
            {"kind": "set-start", "start": ask},
            {"kind": "set-seen", "after_s": 5400.0, "state": "roll", "now_c": 22.0},
            {"kind": "verdict", "words": ["too soft"], "text": ""},
        )
        found = {row["what"]: row for row in self.get("/api/learned")["learned"]}
        self.assertEqual(found["cooling:larder/slab"]["entries"], 1)
        self.assertLess(found["set:dark64"]["value"], 0)


class Photographed(WithSeason):
    def picture(self) -> bytes:
        exif = Image.Exif()
        exif[0x010F] = "Camera of the club"
        exif.get_ifd(0x8825)[2] = (51.0, 2.0, 3.0)
        out = io.BytesIO()
        Image.new("RGB", (2400, 1800), (90, 60, 40)).save(out, "JPEG", exif=exif)
        return out.getvalue()

    def test_a_photograph_is_made_smaller_tells_no_place_and_goes_with_its_batch(self) -> None:
        kept = self.client.post("/api/batches/4/photographs", data=self.picture(), content_type="image/jpeg")
        self.assertEqual(kept.status_code, 201, kept.text)
        number = kept.get_json()["id"]
        (shown,) = self.get("/api/batches/4/page")["photographs"]
        self.assertEqual((shown["width_px"], shown["height_px"]), (1600, 1200))
        with self.client.get(f"/api/photographs/{number}") as answer:
            data = answer.data
        with Image.open(io.BytesIO(data)) as image:
            self.assertEqual(len(image.getexif()), 0)
        folder = self.database.path.parent / "photographs"
        self.assertEqual(len(list(folder.iterdir())), 1)
        self.client.delete("/api/batches/4")
        self.assertEqual(list(folder.iterdir()), [])
        self.assertEqual(self.client.get(f"/api/photographs/{number}").status_code, 404)

    def keep(self, picture: Image.Image, form: str, **more: Any) -> Any:
        out = io.BytesIO()
        picture.save(out, form, **more)
        return self.client.post("/api/batches/4/photographs", data=out.getvalue(), content_type="image/jpeg")

    def test_pictures_of_telephones_are_taken_upright_and_larger_ones_are_not(self) -> None:
        turned = Image.Exif()
        turned[0x0112] = 6
        for form, mode, more in (("JPEG", "RGB", {"exif": turned}), ("PNG", "RGBA", {}), ("WEBP", "RGB", {}),
                                 ("PNG", "P", {}), ("PNG", "I;16", {}), ("JPEG", "CMYK", {})):  # fmt: skip
            kept = self.keep(Image.new(mode, (4000, 3000)), form, **more)
            self.assertEqual(kept.status_code, 201, (form, mode, kept.text))
            size = (kept.get_json()["width_px"], kept.get_json()["height_px"])
            self.assertEqual(size, (1200, 1600) if more else (1600, 1200), (form, mode))
        refused = self.keep(Image.new("L", (9000, 8000)), "PNG")
        self.assertEqual((refused.status_code, refused.get_json()["errors"][0]["code"]), (422, "too-large"))

    def test_while_a_picture_is_made_smaller_readings_go_on(self) -> None:
        probe = {"readings": [{"c": 40.0}]}
        with photographs.ONE_AT_A_TIME, ThreadPoolExecutor(1) as aside:
            other = self.client.application.test_client()
            kept = aside.submit(
                other.post, "/api/batches/4/photographs", data=self.picture(), content_type="image/jpeg"
            )
            self.assertEqual(self.client.post("/api/probes/desk/readings", json=probe).status_code, 201)
            self.assertFalse(kept.done())
            photographs.ONE_AT_A_TIME.release()
            self.assertEqual(kept.result().status_code, 201)
            photographs.ONE_AT_A_TIME.acquire()

    def test_what_is_no_picture_is_refused_and_nothing_is_kept(self) -> None:
        answer = self.client.post("/api/batches/4/photographs", data=b"no picture at all", content_type="image/png")
        self.assertEqual(answer.status_code, 422)
        self.assertEqual(self.get("/api/batches/4/page")["photographs"], [])
        other = self.client.post(
            "/api/batches/4/photographs",
            data=self.picture(),
            content_type="image/jpeg",
            headers={"Origin": "http://elsewhere.example"},
        )
        self.assertEqual(other.status_code, 403)


class InAndOut(WithSeason):
    def test_a_batch_goes_out_and_comes_in_whole_and_only_once(self) -> None:
        whole = self.client.get("/api/batches/6/batch.json").text
        before = self.get("/api/batches/6")
        self.assertEqual(self.take(json_file=whole), {"taken": 0, "there_already": 1})
        self.client.delete("/api/batches/6")
        self.assertEqual(self.take(json_file=whole), {"taken": 1, "there_already": 0})
        (row,) = [row for row in self.found("") if row["started_at"] == before["batch"]["started_at"]]
        after = self.get(f"/api/batches/{row['id']}")
        self.assertEqual((row["verdict"], row["family"]), (before["batch"]["verdict"], "boiled-fudge"))
        self.assertEqual([step["title"] for step in after["steps"]], [step["title"] for step in before["steps"]])
        self.assertEqual(len(after["events"]), len(before["events"]))
        again = json.loads(self.client.get(f"/api/batches/{row['id']}/batch.json").text)
        self.assertEqual(again["readings"], json.loads(whole)["readings"])

    def take(self, **body: str) -> dict[str, int]:
        answer = self.client.post("/api/batches/take-in", json=body)
        self.assertEqual(answer.status_code, 200, answer.text)
        found: dict[str, int] = answer.get_json()
        return found

    def test_the_table_goes_out_and_rows_of_another_come_in_all_or_none(self) -> None:
        table = self.client.get("/api/batches/daybook.csv").text
        self.assertEqual(len(table.splitlines()), 27)
        self.assertEqual(self.take(csv=table), {"taken": 0, "there_already": 26})
        head = "started_at,ended_at,recipe,family,verdict,notes\r\n"
        new = '2025-12-06T14:00:00+00:00,,Perseid fudge,,"just right, smooth",From my paper book\r\n'
        bad = "2025-12-07T14:00:00+00:00,,Perseid fudge,,wonderful,\r\n"
        refused = self.refused("POST", "/api/batches/take-in", 422, json={"csv": head + new + bad})
        self.assertEqual(refused["errors"][0]["path"][-2:], [1, "verdict"])
        self.assertEqual(len(self.found("")), 26)
        self.assertEqual(self.take(csv=head + new)["taken"], 1)
        self.assertEqual(self.found("words=paper")[0]["verdict"], ["just right", "smooth"])


class Again(WithSeason):
    def test_a_finished_batch_is_asked_after_at_once_and_days_later(self) -> None:
        self.assertEqual(self.get("/api/batches/to-look-at")["batches"], [])
        batch = self.client.post("/api/batches", json={"recipe_id": 1}).get_json()["batch"]["id"]
        self.tell(batch, {"kind": "end"})
        (asked,) = self.get("/api/batches/to-look-at")["batches"]
        self.assertEqual((asked["batch_id"], asked["asks"]), (batch, "How did it turn out?"))
        self.tell(batch, {"kind": "verdict", "words": ["just right"], "text": ""})
        self.assertEqual(self.get("/api/batches/to-look-at")["batches"], [])
