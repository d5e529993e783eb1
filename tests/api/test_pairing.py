"""Devices of the house: what a stranger, a guest of another page, a helper, a thermometer and a cook's tablet get."""

import inspect
import re
import unittest
from datetime import UTC, datetime
from typing import TYPE_CHECKING, Any, Final
from unittest.mock import patch

from werkzeug.test import Client, TestResponse

from hearth_bowl.api.may import HERE_ONLY, NOT_FOR_HELPERS, TELLS, TICKS, WORKS_OUT
from hearth_bowl.app import NoHouse, create_app
from hearth_bowl.paths import WEB
from hearth_bowl.service.pairing import CODE_MIN, MOST_ADDRESSES, TRIES_OF_ONE, WrongCode
from tests.api.app_case import AppCase

if TYPE_CHECKING:
    from _typeshed.wsgi import WSGIApplication

ADDRESS: Final = "192.168.7.20"
URL: Final = f"http://{ADDRESS}:8741"


class HouseOfTests(NoHouse):
    """A house whose door is knocked at by the test itself."""

    is_open = True
    urls = (f"{URL}/",)
    door: "WSGIApplication"

    def serves(self, door: "WSGIApplication") -> None:
        self.door = door

    def hosts(self) -> frozenset[str]:
        return frozenset({ADDRESS})


class PairingCase(AppCase):
    def setUp(self) -> None:
        super().setUp()
        self.house = HouseOfTests()
        self.app = create_app(self.database, WEB, house=self.house)
        self.client = self.app.test_client()

    def stranger(self, use_cookies: bool = True) -> Client:
        return Client(self.house.door, use_cookies=use_cookies)

    def code(self, role: str = "cook") -> str:
        answer = self.client.post("/api/pairing/codes", json={"role": role})
        self.assertEqual(answer.status_code, 201, answer.text)
        return str(answer.get_json()["code"])

    def knock(self, device: Client, method: str, path: str, **sent: Any) -> TestResponse:
        return device.open(path, method=method, base_url=URL, **sent)

    def pair(self, device: Client, code: str, name: str = "Tablet", address: str = "192.168.7.31") -> TestResponse:
        headers = {"Origin": URL, "User-Agent": "Tablet"}
        return self.knock(
            device, "POST", "/pair", data={"code": code, "name": name}, headers=headers,
            environ_base={"REMOTE_ADDR": address},
        )  # fmt: skip

    def paired(self, role: str = "cook", name: str = "Tablet") -> Client:
        device = self.stranger()
        answer = self.pair(device, self.code(role), name)
        self.assertEqual((answer.status_code, answer.location), (303, "/"), answer.text)
        return device


class Strangers(PairingCase):
    def test_a_stranger_gets_the_pairing_page_and_nothing_else(self) -> None:
        stranger = self.stranger()
        page = self.knock(stranger, "GET", "/recipes", headers={"Accept": "text/html"})
        self.assertEqual((page.status_code, page.location), (303, "/pair"))
        self.assertIn("Pair this device", self.knock(stranger, "GET", "/pair").text)
        asset = next((WEB / "assets").glob("*.js")).name
        paths = {rule.rule for rule in self.app.url_map.iter_rules()} - {"/pair", "/", "/<path:place>"}
        for path in [*paths, f"/assets/{asset}", "/index.html", "/api/recipes", "/manifest.webmanifest", "/worker.js"]:
            for method in ("GET", "POST", "PUT", "DELETE"):
                with self.subTest(path=path, method=method):
                    answer = self.knock(stranger, method, re.sub(r"<[^>]*>", "1", path))
                    self.assertEqual(answer.status_code, 401, answer.text)
                    self.assertNotIn("Set-Cookie", answer.headers)

    def test_a_thousand_guesses_are_refused_and_lock_out_nobody_elsewhere(self) -> None:
        code = self.code()
        statuses: dict[int, int] = {}
        stranger = self.stranger()
        for number in range(1_000):
            answer = self.pair(stranger, f"{number:010d}", address=f"192.168.7.{number % 40}")
            statuses[answer.status_code] = statuses.get(answer.status_code, 0) + 1
        self.assertEqual(statuses, {403: 40 * TRIES_OF_ONE, 429: 1_000 - 40 * TRIES_OF_ONE})
        self.assertEqual(self.client.get("/api/pairing").get_json()["devices"], [])
        self.assertEqual(self.pair(stranger, code, address="192.168.7.201").status_code, 303)

    def test_tries_are_remembered_of_a_bounded_number_of_addresses(self) -> None:
        pairings = self.app.extensions["hearth_bowl.pairings"]
        for number in range(MOST_ADDRESSES + 100):
            with self.assertRaises(WrongCode):
                pairings.use("WRONG", f"fe80::{number:x}")
        self.assertEqual(len(pairings._tries), MOST_ADDRESSES)

    def test_a_code_ends_after_ten_minutes_whatever_the_clock_on_the_wall_says(self) -> None:
        pairings = self.app.extensions["hearth_bowl.pairings"]
        passed = [0.0]
        pairings._clock_s = lambda: passed[0]
        codes = [self.code(), self.code()]
        passed[0] = CODE_MIN * 60 - 1
        with patch("hearth_bowl.api.pairing.now", lambda: datetime(2036, 1, 1, tzinfo=UTC)):
            self.assertEqual(self.pair(self.stranger(), codes[0]).status_code, 303)
        passed[0] = CODE_MIN * 60
        with patch("hearth_bowl.api.pairing.now", lambda: datetime(2016, 1, 1, tzinfo=UTC)):
            self.assertEqual(self.pair(self.stranger(), codes[1]).status_code, 403)

    def test_a_thousand_guessed_cookies_are_refused(self) -> None:
        self.paired()
        stranger = self.stranger(use_cookies=False)
        found = {
            self.knock(
                stranger, "GET", "/api/settings", headers={"Cookie": f"hearth-bowl-device=guess-{number}"}
            ).status_code
            for number in range(1_000)
        }
        self.assertEqual(found, {401})

    def test_one_address_is_not_looked_at_for_long(self) -> None:
        stranger = self.stranger()
        found = [self.pair(stranger, "WRONG-WRONG").status_code for _ in range(TRIES_OF_ONE + 1)]
        self.assertEqual(found, [403] * TRIES_OF_ONE + [429])
        answer = self.pair(stranger, self.code())
        self.assertEqual(answer.status_code, 429)
        self.assertGreater(int(answer.headers["Retry-After"]), 0)
        self.assertEqual(self.pair(stranger, self.code(), address="192.168.7.77").status_code, 303)

    def test_a_code_is_good_once(self) -> None:
        code = self.code()
        self.assertEqual(self.pair(self.stranger(), code.lower().replace("-", " ")).status_code, 303)
        self.assertEqual(self.pair(self.stranger(), code).status_code, 403)

    def test_a_name_that_is_none_uses_no_code_up(self) -> None:
        code = self.code()
        for name in ("", "   ", "x" * 61):
            self.assertEqual(self.pair(self.stranger(), code, name).status_code, 422)
        self.assertEqual(self.pair(self.stranger(), code).status_code, 303)

    def test_other_names_are_not_served(self) -> None:
        device = self.paired()
        for host in ("hearth.example", "127.0.0.1:8741", "192.168.7.21:8741"):
            answer = device.open("/api/recipes", base_url=f"http://{host}")
            self.assertEqual(answer.status_code, 421)

    def test_what_is_typed_is_written_as_text(self) -> None:
        page = self.knock(self.stranger(), "GET", "/pair", query_string={"code": '"><script>alert(1)</script>'})
        self.assertNotIn("<script", page.text)
        self.assertIn("form-action 'self'", page.headers["Content-Security-Policy"])
        self.assertNotIn("script-src", page.headers["Content-Security-Policy"])


class LetIn(PairingCase):
    demo = True

    def test_the_cookie_is_the_browsers_alone_and_only_its_hash_is_kept(self) -> None:
        answer = self.pair(self.stranger(), self.code())
        cookie = answer.headers["Set-Cookie"]
        for word in ("HttpOnly", "SameSite=Strict", "Path=/"):
            self.assertIn(word, cookie)
        secret = cookie.partition("=")[2].partition(";")[0]
        self.database.engine.dispose()
        kept = b"".join(file.read_bytes() for file in self.database.path.parent.glob("*.sqlite3*"))
        self.assertNotIn(secret.encode(), kept)
        self.assertIn(b"Tablet", kept)

    def test_a_cooks_tablet_cooks(self) -> None:
        device = self.paired()
        self.assertEqual(self.knock(device, "GET", "/api/pairing/me").get_json()["role"], "cook")
        self.assertEqual(self.knock(device, "GET", "/", headers={"Accept": "text/html"}).status_code, 200)
        started = self.knock(device, "POST", "/api/batches", json={"recipe_id": 1, "choices": {}})
        self.assertEqual(started.status_code, 201, started.text)

    def test_a_page_of_another_origin_changes_nothing_even_in_the_same_browser(self) -> None:
        device = self.paired()
        before = self.knock(device, "GET", "/api/recipes").text
        for origin in ("http://hearth.example", f"http://{ADDRESS}:9999", "null", "http://127.0.0.1:8741"):
            for method, path in (("POST", "/api/recipes"), ("DELETE", "/api/recipes/1"), ("POST", "/pair")):
                answer = self.knock(device, method, path, json={}, headers={"Origin": origin})
                self.assertEqual(answer.status_code, 403, (origin, path))
        self.assertEqual(self.knock(device, "GET", "/api/recipes").text, before)
        self.assertNotIn("Access-Control-Allow-Origin", self.knock(device, "GET", "/api/recipes").headers)

    def test_who_was_let_go_is_refused(self) -> None:
        device = self.paired()
        (row,) = self.client.get("/api/pairing").get_json()["devices"]
        self.assertEqual(self.client.delete(f"/api/pairing/devices/{row['id']}").status_code, 204)
        for path in ("/api/recipes", "/api/pairing/me", "/api/batches/1/live"):
            self.assertEqual(self.knock(device, "GET", path).status_code, 401)
        self.assertEqual(self.knock(device, "POST", "/api/recipes", json={}).status_code, 401)
        self.refused("DELETE", f"/api/pairing/devices/{row['id']}", 404)

    def test_a_device_is_removed_with_all_that_it_paired(self) -> None:
        other, first = self.paired(name="Other"), self.paired(name="First")
        made = self.knock(first, "POST", "/api/pairing/codes", json={"role": "cook"})
        second = self.stranger()
        self.assertEqual(self.pair(second, made.get_json()["code"], "Second").status_code, 303)
        made = self.knock(second, "POST", "/api/pairing/codes", json={"role": "cook"})
        third = self.stranger()
        self.assertEqual(self.pair(third, made.get_json()["code"], "Third").status_code, 303)
        key = self.knock(third, "POST", "/api/pairing/keys", json={"name": "Probe"}).get_json()["key"]
        unused = self.knock(third, "POST", "/api/pairing/codes", json={"role": "cook"}).get_json()["code"]
        rows = {row["name"]: row for row in self.client.get("/api/pairing").get_json()["devices"]}
        self.assertEqual(rows["Second"]["paired_by"], rows["First"]["id"])
        self.client.delete(f"/api/pairing/devices/{rows['First']['id']}")
        left = self.client.get("/api/pairing").get_json()["devices"]
        self.assertEqual([row["name"] for row in left], ["Other"])
        self.assertEqual(self.knock(second, "GET", "/api/recipes").status_code, 401)
        self.assertEqual(self.knock(other, "GET", "/api/recipes").status_code, 200)
        sent = {"json": {"c": 80.0}, "headers": {"Authorization": f"Bearer {key}"}}
        self.assertEqual(self.knock(self.stranger(), "POST", "/api/probes/hob/readings", **sent).status_code, 401)
        for number in range(4):  # they may get the numbers of those that are gone
            self.paired(name=f"New {number}")
        self.assertEqual(self.pair(self.stranger(), unused, "Late").status_code, 403)

    def test_what_is_done_at_the_machine_is_done_there(self) -> None:
        device = self.paired()
        for path in ("/api/pairing/open", "/api/pairing/close", "/api/data/restore"):
            self.assertEqual(self.knock(device, "POST", path).status_code, 403)


class Helpers(PairingCase):
    demo = True

    def test_every_write_is_refused_but_what_is_worked_out_and_ticked(self) -> None:
        device = self.paired("helper")
        allowed = WORKS_OUT | TICKS
        writes = 0
        for rule in self.app.url_map.iter_rules():
            for method in (rule.methods or set()) - {"GET", "HEAD", "OPTIONS"}:
                if rule.rule == "/pair":
                    continue
                writes += 1
                path = re.sub(r"<[^>]*>", "1", rule.rule)
                answer = self.knock(device, method, path, json={})
                with self.subTest(path=path, method=method):
                    if rule.endpoint in allowed:
                        self.assertNotIn(answer.status_code, (401, 403))
                    else:
                        self.assertEqual(answer.status_code, 403)
                        self.assertRegex(answer.get_json(force=True)["detail"], "view and tick off|at the machine")
        self.assertGreater(writes, 60)

    def test_a_helper_ticks_at_the_stove_and_sees(self) -> None:
        run = self.client.post("/api/batches", json={"recipe_id": 1, "choices": {}}).get_json()
        device = self.paired("helper")
        self.assertEqual(self.knock(device, "GET", f"/api/batches/{run['batch']['id']}").status_code, 200)
        event = {"client_key": "a", "at": "2026-08-12T18:00:00Z", "what": {"kind": "step", "step": 1, "key": "x"}}
        event["what"] = {"kind": "note", "text": "stirred"}
        sent = self.knock(device, "POST", f"/api/batches/{run['batch']['id']}/events", json={"events": [event]})
        self.assertLess(sent.status_code, 300, sent.text)
        for path in ("/api/data/backup.zip", "/api/data/everything.zip", "/api/pairing"):
            self.assertEqual(self.knock(device, "GET", path).status_code, 403)

    def test_every_endpoint_that_is_named_is_there(self) -> None:
        there = {rule.endpoint for rule in self.app.url_map.iter_rules()}
        self.assertLessEqual(HERE_ONLY | WORKS_OUT | TICKS | NOT_FOR_HELPERS | TELLS, there)

    def test_what_is_worked_out_stores_nothing(self) -> None:
        def writes(endpoint: str) -> bool:
            return "writing" in inspect.unwrap(self.app.view_functions[endpoint]).__code__.co_names

        self.assertTrue(writes("recipes.save_recipe"))
        self.assertEqual([endpoint for endpoint in WORKS_OUT if writes(endpoint)], [])


class Thermometers(PairingCase):
    def test_a_gateway_tells_readings_by_its_key_and_nothing_else(self) -> None:
        answer = self.client.post("/api/pairing/keys", json={"name": "Hob gateway"})
        key = {"Authorization": f"Bearer {answer.get_json()['key']}"}
        gateway = self.stranger(use_cookies=False)
        self.assertEqual(
            self.knock(gateway, "POST", "/api/probes/hob/readings", json={"c": 84.5}, headers=key).status_code, 201
        )
        for method, path in (("GET", "/api/recipes"), ("DELETE", "/api/probes/hob"), ("POST", "/api/batches")):
            self.assertEqual(self.knock(gateway, method, path, json={}, headers=key).status_code, 403)
        self.assertEqual(self.knock(gateway, "POST", "/api/probes/hob/readings", json={"c": 84.5}).status_code, 401)
        self.client.delete(f"/api/pairing/devices/{answer.get_json()['device']['id']}")
        self.assertEqual(
            self.knock(gateway, "POST", "/api/probes/hob/readings", json={"c": 84.5}, headers=key).status_code, 401
        )

    def test_a_backup_lets_nobody_in(self) -> None:
        device = self.paired()
        backup = self.client.get("/api/data/backup.zip").data
        self.client.delete("/api/pairing/devices/1")
        put_back = self.client.post("/api/data/restore", data=backup, content_type="application/zip")
        self.assertEqual(put_back.status_code, 200, put_back.text)
        self.assertEqual(self.knock(device, "GET", "/api/recipes").status_code, 401)
        self.assertEqual(self.client.get("/api/pairing").get_json()["devices"], [])


if __name__ == "__main__":
    unittest.main()
