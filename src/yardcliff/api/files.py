"""Files in an answer."""

from fastapi import Response


def attached(content: bytes | str, media: str, name: str, kind: str) -> Response:
    """A file named after its rack; PDFs open in the browser."""
    safe = (
        "".join(c if c.isalnum() and c.isascii() else "-" for c in name.lower()).strip("-")
        or "rack"
    )
    where = "inline" if kind.endswith(".pdf") else "attachment"
    return Response(
        content,
        media_type=media,
        headers={"content-disposition": f'{where}; filename="{safe}-{kind}"'},
    )
