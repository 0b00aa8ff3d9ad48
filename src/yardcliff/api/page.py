"""The built front end, served beside the API. Every page is index.html; the browser routes."""

import secrets
from pathlib import Path

from fastapi import FastAPI, HTTPException
from fastapi.responses import HTMLResponse
from starlette.staticfiles import StaticFiles

from yardcliff.api.security import content_security_policy
from yardcliff.messages import language, tr

STATIC = Path(__file__).parent.parent / "static"
FIRST_ASKED = ", ".join(
    f"</api/{of}>; rel=preload; as=fetch; crossorigin"
    for of in ("racks", "racks?bin=true", "walls", "walls?bin=true", "settings")
)
"""What the first page will ask for: it is asked while its scripts are on their way."""
NONCE, LANG = "__NONCE__", 'lang="en"'


def install(app: FastAPI, folder: Path = STATIC) -> None:
    """Serve the build in `folder`; without one, say how to make it."""
    if (folder / "assets").is_dir():
        app.mount("/assets", StaticFiles(directory=folder / "assets"), name="assets")

    @app.get("/{path:path}", include_in_schema=False)
    def page(path: str) -> HTMLResponse:
        index = folder / "index.html"
        if path.startswith(("api/", "assets/")) or not index.is_file():
            hint = "" if index.is_file() else tr("api.front-end-not-built-run-make")
            raise HTTPException(404, tr("api.there-is-no", path=path, hint=hint))
        nonce = secrets.token_urlsafe(16)
        return HTMLResponse(
            index.read_text("utf-8").replace(NONCE, nonce).replace(LANG, f'lang="{language()}"'),
            headers={
                "content-security-policy": content_security_policy(nonce),
                "cache-control": "no-store",
                **({} if path else {"link": FIRST_ASKED}),
            },
        )
