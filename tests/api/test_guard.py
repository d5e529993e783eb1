"""The guard: foreign hosts and origins, bodies that are too large or no JSON, and what a page may load."""

import re

from hearth_bowl.paths import WEB
from tests.api.app_case import AppCase
from tests.kitchen import recipe_record


class Guard(AppCase):
    def test_foreign_hosts_are_refused_for_pages_files_and_api(self) -> None:
        for path in ("/", "/api/recipes", "/assets/bowl.svg"):
            for host in ("hearth.example", "127.0.0.1.example", "[::2]", "", "[bad"):
                with self.subTest(path=path, host=host):
                    self.refused("GET", path, 421, headers={"Host": host})
        for host in ("localhost:8741", "127.0.0.1", "[::1]:80"):
            self.assertEqual(self.client.get("/api/recipes", headers={"Host": host}).status_code, 200)

    def test_writes_from_other_origins_are_refused(self) -> None:
        body = {"recipe": recipe_record()}
        foreign = ({"Origin": "http://evil.example"}, {"Origin": "null"}, {"Sec-Fetch-Site": "cross-site"})
        for headers in (*foreign, {"Origin": "http://localhost:9999"}):
            self.refused("POST", "/api/recipes", 403, json=body, headers=headers)
        own = {"Origin": "http://localhost", "Sec-Fetch-Site": "same-origin"}
        self.assertEqual(self.client.post("/api/recipes", json=body, headers=own).status_code, 201)
        self.assertEqual(len(self.client.get("/api/recipes").get_json()["recipes"]), 1)

    def test_bodies_that_are_no_json_or_too_large(self) -> None:
        for data in (b"{", b"[]", b"\xff", b"[" * 90_000):
            self.refused("POST", "/api/recipes", 400, data=data, content_type="application/json")
        self.refused("POST", "/api/recipes", 415, data=b"name=x", content_type="application/x-www-form-urlencoded")
        large = b'{"recipe": "' + b"x" * 5_000_000 + b'"}'
        self.refused("POST", "/api/recipes", 413, data=large, content_type="application/json")
        many = {"recipe": recipe_record(lines=[{"ingredient": "dark60", "amount": 1}] * 10_000)}
        self.refused("POST", "/api/recipes", 422, json=many)

    def test_every_answer_carries_the_policy(self) -> None:
        for path in ("/", "/api/recipes", "/api/none"):
            policy = self.client.get(path).headers["Content-Security-Policy"]
            self.assertIn("default-src 'none'", policy)
            self.assertNotIn("unsafe", policy)

    def test_it_can_be_installed(self) -> None:
        manifest = self.client.get("/manifest.webmanifest")
        self.assertIn("no-cache", manifest.headers["Cache-Control"])
        for icon in manifest.get_json(force=True)["icons"]:
            self.assertEqual(self.client.get(icon["src"]).mimetype, icon.get("type"), icon)
        worker = self.client.get("/worker.js")
        self.assertEqual(worker.mimetype, "text/javascript")
        self.assertIn("no-cache", worker.headers["Cache-Control"])
        shell = set(re.findall(r"url:`([^`]+)`", worker.text))
        self.assertIn("/", shell)
        built = {f"/assets/{file.name}" for end in ("js", "css", "woff2") for file in (WEB / "assets").glob(f"*.{end}")}
        self.assertLessEqual(built, shell)
        for address in shell:
            self.assertEqual(self.client.get(address).status_code, 200, address)

    def test_answers_name_the_build_of_their_pages(self) -> None:
        build = re.search(r'name="build" content="(\w+)"', self.client.get("/").text)
        assert build
        self.assertEqual(self.client.get("/api/recipes").headers["Hearth-Bowl-Pages"], build[1])

    def test_unknown_places_and_methods(self) -> None:
        self.refused("GET", "/api/none", 404)
        self.refused("GET", "/nothing.js", 404)
        self.refused("DELETE", "/api/recipes", 405)
        self.refused("GET", "/api/recipes/99", 404)
        page = self.client.get("/recipes/1/formula")
        self.assertEqual((page.status_code, page.mimetype), (200, "text/html"))
        self.assertIn("no-cache", page.headers["Cache-Control"])
