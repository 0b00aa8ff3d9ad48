"""What is said, by language: every key has its words, with the parameters that it is given, and
nothing hangs on how a thing is called.
"""

import ast
import re
import tomllib
from collections.abc import Iterator
from gettext import NullTranslations
from io import BytesIO
from pathlib import Path
from string import Formatter

import pytest
from babel.messages.pofile import read_po
from fastapi.testclient import TestClient

import yardcliff
from tests.conftest import Json, change
from yardcliff import messages
from yardcliff.core.design.change import amend
from yardcliff.core.design.rack_design import design
from yardcliff.core.findings.finding import CODES
from yardcliff.core.rack.operation import Kind
from yardcliff.core.ways import FAMILIES, Brief
from yardcliff.demo import Seed, hut
from yardcliff.messages import LANGUAGES, SOURCE, language_of, listed, speaking, tr

CODE = Path(yardcliff.__file__).parent
Forms = tuple[str, ...]


def catalogue(language: str, room: str = ".") -> dict[str, Forms]:
    """The messages of a language's own files: one form, or one for each plural."""
    found: dict[str, Forms] = {}
    for file in sorted((CODE / "messages" / language / room).glob("*.po")):
        for message in read_po(BytesIO(file.read_bytes())):
            key, *_ = (message.id,) if isinstance(message.id, str) else message.id
            if key:
                assert key not in found, f"{key} stands twice"
                said = message.string or ""
                found[key] = (said,) if isinstance(said, str) else tuple(said)
    return found


SAID = {language: catalogue(language) for language in LANGUAGES}
SHOWN = {language: catalogue(language, "page") for language in LANGUAGES}
PAGE = CODE.parents[1] / "web" / "src"


def parameters(forms: Forms) -> set[str]:
    return {name for form in forms for _, name, _, _ in Formatter().parse(form) if name}


def asked() -> Iterator[tuple[str, ast.expr, set[str] | None]]:
    """Where a message is asked for: the place, the key, and what is given (None where that is only
    known at run time). A figure asks for two.
    """
    for file in CODE.rglob("*.py"):
        for node in ast.walk(ast.parse(file.read_text("utf-8"))):
            if not (isinstance(node, ast.Call) and isinstance(node.func, ast.Name)):
                continue
            where = f"{file.name}:{node.lineno}"
            names = [keyword.arg for keyword in node.keywords]
            given = None if None in names else {name for name in names if name}
            if node.func.id == "figure":
                assert isinstance(node.args[0], ast.Constant)
                assert given is not None
                key = str(node.args[0].value)
                yield where, ast.Constant(f"{key}.label"), set()
                yield where, ast.Constant(f"{key}.why"), given - {"fine"}
            at = {"tr": 0, "cannot_read": 1}.get(node.func.id)
            keys = [] if at is None else [node.args[at]]
            while keys:
                found = keys.pop()
                if isinstance(found, ast.IfExp):
                    keys += (found.body, found.orelse)
                else:
                    yield where, found, given


def test_every_message_that_is_asked_for_is_there_with_what_it_is_given() -> None:
    for where, key, given in asked():
        if isinstance(key, ast.Constant):
            assert str(key.value) in SAID[SOURCE], f"{where}: no words for {key.value!r}"
            wants = parameters(SAID[SOURCE][str(key.value)])
            # The number that chooses a plural need not be said.
            assert given is None or given - {"n"} == wants - {"n"}, where
            assert given is None or ("n" in given) == (len(SAID[SOURCE][str(key.value)]) > 1), where


def texts(value: object) -> Iterator[str]:
    match value:
        case str():
            yield value
        case dict():
            for each in value.values():
                yield from texts(each)
        case list():
            for each in value:
                yield from texts(each)


def test_every_message_is_used() -> None:
    written = {
        node.value
        for file in CODE.rglob("*.py")
        for node in ast.walk(ast.parse(file.read_text("utf-8")))
        if isinstance(node, ast.Constant)
    }
    for table in (CODE / "data").glob("*.toml"):
        written.update(texts(tomllib.loads(table.read_text("utf-8"))))
    made_up = "|".join(
        "".join(
            re.escape(str(part.value)) if isinstance(part, ast.Constant) else r"[\w-]+"
            for part in key.values
        )
        for _, key, _ in asked()
        if isinstance(key, ast.JoinedStr)
    )
    titles = {f"{code}.title" for code in CODES}
    written |= {key.value for _, key, _ in asked() if isinstance(key, ast.Constant)}
    assert titles <= set(SAID[SOURCE])
    assert {f"work.{kind}" for kind in Kind} <= set(SAID[SOURCE])
    unused = [
        key
        for key in SAID[SOURCE]
        if key not in written and key not in titles and not re.fullmatch(made_up, key)
    ]
    assert not unused


def balanced(text: str) -> str:
    """Up to the bracket that closes the first one."""
    depth = 0
    for at, letter in enumerate(text):
        depth += (letter in "({[") - (letter in ")}]")
        if depth == 0:
            return text[: at + 1]
    raise AssertionError(text)


def given_on_the_page(call: str) -> set[str]:
    """The names of `(key, { a, b: other(c) })`."""
    if "{" not in call:
        return set()
    inner = re.sub(r"\$\{[^}]*\}|\"[^\"]*\"|`[^`]*`", "0", call[call.index("{") + 1 : -1])
    depth, names, top = 0, set[str](), ""
    for letter in inner.rstrip(" ,\n)").removesuffix("}"):
        depth += (letter in "({[") - (letter in ")}]")
        top += letter if depth == 0 else ""
    for pair in top.split(","):
        if name := pair.split(":")[0].strip():
            names.add(name)
    return names


def test_the_page_says_what_is_there_and_nothing_is_left_over() -> None:
    asked = dict[str, set[str]]()
    for file in PAGE.rglob("*.ts*"):
        if ".test." in file.name:
            continue
        text = file.read_text("utf-8")
        for found in re.finditer(r'\bt\(\s*"([\w.-]+)"', text):
            assert found[1] in SHOWN[SOURCE], f"{file.name}: no words for {found[1]}"
            given = given_on_the_page(balanced(text[found.start() + 1 :]))
            asked.setdefault(found[1], given)
            wanted = parameters(SHOWN[SOURCE][found[1]])
            assert given - {"n"} == wanted - {"n"}, f"{file.name}: {found[1]}"
            assert ("n" in given) == (len(SHOWN[SOURCE][found[1]]) > 1), found[1]
    words = {key for key in SHOWN[SOURCE] if key.startswith("word.")}
    assert set(SHOWN[SOURCE]) - set(asked) == words
    for language in LANGUAGES:
        for key, forms in SHOWN[language].items():
            assert parameters(forms) == parameters(SHOWN[SOURCE][key]), key
            assert all(forms), key
            assert language == SOURCE or forms != SHOWN[SOURCE][key], key


@pytest.mark.parametrize("language", LANGUAGES)
def test_every_language_says_what_the_source_says(language: str) -> None:
    """A third language too is held to the parameters; what it lacks is said as in the source."""
    own = SAID[language]
    assert set(own) <= set(SAID[SOURCE])
    with speaking(language):
        for key, forms in SAID[SOURCE].items():
            assert parameters(own.get(key, forms)) == parameters(forms), key
            given = dict.fromkeys(parameters(forms), "12 mm")
            for n in (1, 2) if len(forms) > 1 else (None,):
                said = tr(key, **given | ({"n": n} if n else {}))
                assert said, key
                assert said != key
                assert not set(said) & {"{", "}"}, said
    assert language == SOURCE or all(own[key] != SAID[SOURCE][key] for key in own)


def test_americans_read_nothing_british() -> None:
    british = re.compile(
        r"(?i)favour|colour|neighbour|licence|\b(grey|metre|centre)|aluminium|plasterboard|skirting"
        r"|\btimber\b|spanner"
    )
    for said in (SAID, SHOWN):
        for key, forms in said[SOURCE].items():
            for text in said["en-US"].get(key, forms):
                assert not british.search(re.sub(r"{\w+}", "", text)), key


def test_a_region_says_only_what_differs() -> None:
    for language, yard, parts, several in (
        ("en-GB", "timber yard", "1 part", "a, b and c"),
        ("en-US", "lumber yard", "1 part", "a, b, and c"),
    ):
        with speaking(language):
            assert yard in tr("api.no-timber-yard-known-start-yardcliff")
            assert tr("making.cut-part", n=1, of="x") == f"Cut {parts}: x"
            assert tr("making.cut-part", n=3, of="x") == "Cut 3 parts: x"
            assert listed("abc") == several
            assert listed("abc", "or") == several.replace("and", "or")
    assert tr("no such message") == "no such message"


@pytest.mark.parametrize(
    ("accepted", "language"),
    [
        ("en-US,en;q=0.9", "en-US"),
        ("de-CH, en-US;q=0.5", "en-US"),
        ("en-GB", "en-GB"),
        ("fr, de", SOURCE),
        ("", SOURCE),
        ("*;q=, ,x" * 50, SOURCE),
        ("en-IE,en;q=0.8", "en-GB"),
    ],
)
def test_the_dearest_language_that_is_there_is_spoken(accepted: str, language: str) -> None:
    assert language_of(accepted) == language


class Bracketed(NullTranslations):
    """A language that is surely told from what is not in the catalogues."""

    def __init__(self, spoken: NullTranslations) -> None:
        super().__init__()
        self.spoken = spoken

    def gettext(self, key: str) -> str:
        return f"⟦{self.spoken.gettext(key)}⟧"

    def ngettext(self, key: str, plural: str, n: int) -> str:
        return f"⟦{self.spoken.ngettext(key, plural, n)}⟧"


def made(brief: Brief) -> tuple[Json, list[str]]:
    """A rack: what of it does not depend on words; and all its words."""
    done = design(brief)
    choices = FAMILIES[brief.family].choices(brief)
    kept = {
        "parts": [(part.key, part.size) for part in done.parts],
        "work": [(each.kind, each.places, each.size) for each in done.machining],
        "findings": [(found.code, [fix.patch for fix in found.fixes]) for found in done.findings],
        "figures": [figure.key for figure in done.rack.figures],
        "choices": [
            (field.path, [option.value for option in field.options])
            for section in choices
            for field in section.fields
        ],
    }
    said = [
        *(part.name for part in done.parts),
        *(found.title + found.message for found in done.findings),
        *(fix.label for found in done.findings for fix in found.fixes),
        *(figure.label + figure.why for figure in done.rack.figures),
        *(section.title for section in choices),
    ]
    return kept, said


@pytest.mark.parametrize("seed", hut().racks, ids=lambda seed: seed.name)
def test_a_rack_is_the_same_in_every_language(seed: Seed, monkeypatch: pytest.MonkeyPatch) -> None:
    """Nothing is looked up by what it is called, and no sentence is left in the rules: as the demo
    has it, and too short.
    """
    usual = hut().brief(seed)
    briefs = usual, amend(usual, {"row": {"length": "260 mm", "follows": "nothing"}})
    plain = [made(brief)[0] for brief in briefs]
    other_words = Bracketed(messages._catalogue(SOURCE))
    monkeypatch.setattr(messages, "_catalogue", lambda language: other_words)
    for brief, expected in zip(briefs, plain, strict=True):
        other, said = made(brief)
        assert other == expected
        assert said
        names = {each for kind in brief.kinds.values() for each in (kind.name, kind.plural)}
        assert not [text for text in said if re.search("[A-Za-z]{3}", outside(text, names))]


def outside(text: str, names: set[str]) -> str:
    """What of a text is not from a catalogue, but for the names of things."""
    bare = re.sub(
        "|".join(sorted(map(re.escape, names), key=len, reverse=True)), "", text, flags=re.I
    )
    while (less := re.sub(r"⟦[^⟦⟧]*⟧", "", bare)) != bare:
        bare = less
    return bare


def test_a_rack_that_is_kept_in_mind_is_said_anew_in_another_language(client: TestClient) -> None:
    started = {"hangs": [{"item": "key-bunch", "count": 5}], "tape": "1 mm"}
    rack = client.post("/api/racks", json={"name": "Keys", "family": "angled-rail", **started})
    assert rack.status_code == 201, rack.text
    for language, label in (("en-GB", "Mitre"), ("en-US", "Miter"), ("en-GB", "Mitre")):
        asked = client.get(f"/api/racks/{rack.json()['id']}", headers={"accept-language": language})
        assert asked.json()["design"]["figures"]["angled.mitre"]["label"] == label


def test_stock_and_its_files_are_read_in_every_language(
    client: TestClient, monkeypatch: pytest.MonkeyPatch
) -> None:
    csv = {"content-type": "text/csv"}
    sticks = "wide;thick;long;flaws;note\n120;21;2400;knot at 20 over 10 on the back;mine\n"
    answer = client.post("/api/timber/sticks/import", content=sticks.encode(), headers=csv)
    assert answer.json()["taken"] == 1, answer.text
    plain = client.get("/api/timber/sticks.csv").text
    hats = {"name": "Hats", "hangs": [{"item": "felt-hat", "count": 2}], "tape": "1 mm"}
    rack = client.post("/api/racks", json=hats | {"family": "rail"}).json()
    change(client, rack, {"board": {"height": "120 mm", "thickness": "21 mm"}})
    other_words = Bracketed(messages._catalogue(SOURCE))
    monkeypatch.setattr(messages, "_catalogue", lambda language: other_words)
    assert client.get("/api/timber/sticks.csv").text == plain
    at = f"/api/racks/{rack['id']}/timber"
    assert "on hand" in client.get(f"{at}/files/shopping.csv").text.splitlines()[0]
    assert client.post(f"{at}/done", json={}).status_code == 201
    left = client.get("/api/timber").json()["sticks"]
    assert left, "offcuts"
    assert "mine" not in [stick["note"] for stick in left], "it is cut up"
