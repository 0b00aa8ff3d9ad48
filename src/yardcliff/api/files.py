"""Files in an answer."""

from fastapi import Response

from yardcliff.exports.rack_files import safe


def attached(content: bytes | str, media: str, name: str, kind: str) -> Response:
    """A file named after its rack; PDFs open in the browser."""
    where = "inline" if kind.endswith(".pdf") else "attachment"
    return Response(
        content,
        media_type=media,
        headers={"content-disposition": f'{where}; filename="{safe(name)}-{kind}"'},
    )
