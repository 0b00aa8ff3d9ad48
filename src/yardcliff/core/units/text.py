"""Words that have to be short enough."""


def shortened(text: str, most: int) -> str:
    """A text of at most so many characters; what was cut off is told by an ellipsis."""
    return text if len(text) <= most else f"{text[: most - 1].rstrip()}…"
