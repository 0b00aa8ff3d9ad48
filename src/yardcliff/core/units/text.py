"""Words that have to be short enough, or to begin a sentence."""


def shortened(text: str, most: int) -> str:
    """A text of at most so many characters; what was cut off is told by an ellipsis."""
    return text if len(text) <= most else f"{text[: most - 1].rstrip()}…"


def begun(text: str) -> str:
    """A text with a capital, as a sentence begins; what follows stays as it is."""
    return text[:1].upper() + text[1:]
