"""Write what Yardcliff is made of, with every licence, for the page "About": the Python packages
that it needs, the npm packages that its page carries, and the fonts of its papers.

A package without a licence is an error: look at it before it is shipped.
"""

import json
import re
import sys
from importlib.metadata import Distribution, distribution
from pathlib import Path

ROOT = Path(__file__).parent.parent
LICENCE_FILE = re.compile(r"(?i)(^|/)(licen[cs]e|copying|notice|ofl)[^/]*$")
IN_THE_STYLES = "node_modules/tailwindcss"
"""Needed to build only, but its base styles are part of what is built."""
Notice = dict[str, str]


def of_python() -> list[Notice]:
    """What `requirements/runtime.txt` locks, as it is installed here."""
    locked = (ROOT / "requirements" / "runtime.txt").read_text("utf-8")
    names = re.findall(r"^([A-Za-z0-9._-]+)==\S+(?: ;[^\\]*)? \\$", locked, re.M)
    return [_python(distribution(name)) for name in names]


def _python(package: Distribution) -> Notice:
    about = package.metadata
    said = [about[key].strip() for key in ("License-Expression", "License") if key in about]
    named = next(filter(None, said), "")
    classified = [
        line.rsplit("::", 1)[1].strip()
        for line in about.get_all("Classifier") or []
        if line.startswith("License ::")
    ]
    name = named if named and "\n" not in named else ", ".join(classified) or named[:60]
    texts = [
        Path(str(file.locate())).read_text("utf-8", "replace")
        for file in package.files or []
        if ".dist-info/" in str(file) and LICENCE_FILE.search(str(file))
    ]
    return _notice(about["Name"], package.version, name, texts)


def of_npm() -> list[Notice]:
    """What the page carries: the packages of the lock that are not for development alone."""
    lock = json.loads((ROOT / "web" / "package-lock.json").read_text("utf-8"))
    notices = []
    for path, entry in lock["packages"].items():
        folder = ROOT / "web" / path
        shipped = path and (
            path == IN_THE_STYLES or not (entry.get("dev") or entry.get("devOptional"))
        )
        if shipped and folder.is_dir() and "/@types/" not in path:
            about = json.loads((folder / "package.json").read_text("utf-8"))
            texts = [
                file.read_text("utf-8", "replace")
                for file in sorted(folder.iterdir())
                if file.is_file() and LICENCE_FILE.search(file.name)
            ]
            notices.append(
                _notice(about["name"], about["version"], about.get("license", ""), texts)
            )
    return notices


def of_fonts() -> list[Notice]:
    text = (ROOT / "src" / "yardcliff" / "data" / "fonts" / "OFL.txt").read_text("utf-8")
    return [_notice("Source Sans 3, on the papers", "", "OFL-1.1", [text])]


def _notice(name: str, version: str, licence: str, texts: list[str]) -> Notice:
    if not licence:
        sys.exit(f"{name} {version} names no licence: look at it before it is shipped.")
    return {
        "name": name,
        "version": version,
        "licence": licence,
        "text": "\n\n".join(texts).strip(),
    }


if __name__ == "__main__":
    found = [*of_fonts(), *of_npm(), *of_python()]
    unique = {(notice["name"].lower(), notice["version"]): notice for notice in found}
    print(json.dumps([unique[key] for key in sorted(unique)], indent=1, ensure_ascii=False))
