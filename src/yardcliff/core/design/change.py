"""Changing a brief: a merge patch, and what has to give way when a figure that followed
is typed.
"""

from collections import Counter
from typing import Any

from pydantic import ValidationError

from yardcliff.core.base.model import MAX_COUNT
from yardcliff.core.brief.rack_brief import RackBrief
from yardcliff.core.design.in_words import change_text
from yardcliff.core.findings.finding import Patch
from yardcliff.core.findings.patch import EXACT, BriefError, differences, merge, own_terms, problems
from yardcliff.core.row.row import Row
from yardcliff.core.row.row_brief import Follows
from yardcliff.core.things.listing import Listed, shipped
from yardcliff.core.units.exact import Fraction
from yardcliff.core.units.length import exact_text
from yardcliff.core.ways import BRIEFS, FAMILIES, Brief, build, solve_row
from yardcliff.core.ways.family import Family
from yardcliff.messages import tr

# Typing the figure that follows holds it; this is the one that follows instead.
_GIVES_WAY: dict[str, Follows] = {
    "length": "pitch",
    "count": "pitch",
    "pitch": "ends",
    "ends": "pitch",
}


def read_brief(data: Any) -> Brief:
    """Validate a brief as it was written before; bare numbers take the unit of its own tape. Raises
    `BriefError`.
    """
    return _validated(data, own_terms(data) | EXACT)


def _validated(data: Any, context: dict[str, Any]) -> Brief:
    try:
        return BRIEFS.validate_python(data, context=context)
    except ValidationError as error:
        raise BriefError(problems(error, FAMILIES)) from None


def dump(brief: Brief) -> dict[str, Any]:
    """The brief as JSON values, lengths as exact text."""
    return brief.model_dump(mode="json")


def amend(brief: Brief, patch: Patch) -> Brief:
    """The brief with `patch` merged in. Raises `BriefError` and changes nothing if it cannot be
    read.

    Where the patch sets the figure that was following, another follows instead; whenever a
    different figure is to follow, the ones that now hold keep the values that were just worked out,
    so that nothing jumps.
    """
    if not isinstance(patch, dict):
        raise BriefError([("", tr("design.change-object-fields-change"))])
    row = patch.get("row")
    asked: Patch = row if isinstance(row, dict) else {}
    if asked.get("pitch") is not None and "spacing" not in asked and brief.row.spacing == "tidy":
        asked = asked | {
            "spacing": "set"
        }  # a pitch that is typed is meant, and not its next easy figure
        patch = patch | {"row": asked}
    follows = asked.get("follows") or _follower(brief, asked)
    before = _letting_follow(brief, follows)
    if patch.get("family", brief.family) != brief.family:
        before = _by_another_way(brief, before, FAMILIES.get(str(patch["family"])))
    rows, kept = patch.get("holders"), before.get("holders")
    _of_another_kind(before, "holder", patch)
    if isinstance(rows, dict) and kept:
        for number in rows:
            _of_another_kind(kept, number, rows)
    merged = merge(before, patch)
    return _validated(merged, own_terms(merged))


def _of_another_kind(holders: dict[str, Any], key: str, patch: Patch) -> None:
    """A holder that becomes one of another kind begins anew: a peg has none of a hook's fields."""
    asked, old = patch.get(key), holders.get(key)
    if isinstance(asked, dict) and old and asked.get("kind", old["kind"]) != old["kind"]:
        holders.pop(key)


def _by_another_way(
    brief: Brief, document: dict[str, Any], way: Family[Any] | None
) -> dict[str, Any]:
    """What stays of a brief that another way of building takes over; one that is none is refused
    when it is read.

    What both ask stays. But where one rack runs along the wall and the other up it, heights, boards
    and ends mean something else: it begins anew with what hangs.
    """
    asked_by = way.brief if way else RackBrief
    kept = {
        name: document[name]
        for name in asked_by.model_fields
        if name in document and name != "family"
    }
    if way is None or way.brief.run is brief.run:
        return kept
    counts = Counter(hung.kind for hung in build(brief).hung[:MAX_COUNT])
    hangs = [(_as_listed(brief, kind), counts[kind]) for kind in brief.kinds if counts[kind]]
    fresh = dump(way.start(hangs, brief.in_hand))
    row = fresh["row"] | {name: kept["row"][name] for name in ("facing", "spares", "nudge")}
    return fresh | {"others": kept["others"] | fresh["others"], "row": row}


def _as_listed(brief: Brief, kind: str) -> Listed:
    """A kind of the brief as an entry of the list, so that a way of building can begin with it."""
    item, typical = brief.kinds[kind], shipped(brief.sizes)
    like = next((entry for entry in typical if entry.key == item.listed), typical[0])
    return like.changed(
        {"key": kind or like.key, "item": item, "air": max(brief.row.air, Fraction(0))}
    )


def brought_up_to(brief: Brief, entry: Listed) -> Brief | None:
    """The brief with every kind that was taken from `entry` as the list has it now; None if nothing
    differs.
    """
    patch: Patch = {}
    if brief.item.listed == entry.key and brief.item != entry.item:
        patch["item"] = entry.item.model_dump(mode="json")
    others = {
        key: entry.item.model_dump(mode="json")
        for key, item in brief.others.items()
        if item.listed == entry.key and item != entry.item
    }
    if others:
        patch["others"] = others
    return amend(brief, patch) if patch else None


def _follower(brief: Brief, asked: dict[str, Any]) -> Follows:
    """Which figure follows once `asked` is typed."""
    follows = brief.row.follows
    if asked.get(follows) is not None:
        return _GIVES_WAY[follows]
    if asked.get("air") is not None and brief.row.spacing == "air" and follows == "pitch":
        return "ends"  # with even air it is the air that was worked out
    if asked.get("spacing") == "set" and follows == "pitch":
        return "ends"  # a pitch that is kept cannot be the one worked out
    return follows


def _letting_follow(brief: Brief, follows: Follows) -> dict[str, Any]:
    """The brief as JSON values with another figure to follow; the rest held where it stands."""
    document = dump(brief)
    if follows != brief.row.follows:
        solved = solve_row(brief)
        document["row"] = merge(document["row"], _settled(solved, follows) | {"follows": follows})
    return document


def _settled(row: Row, follows: str) -> dict[str, Any]:
    """The solved figures as given ones, but for the one that is to follow."""
    given: dict[str, Any] = {"length": exact_text(row.length), "count": row.count}
    if row.airy:
        given["air"] = exact_text(max(row.t, 0 * row.t))
    elif row.brief.pitch is not None or row.t != row.need:
        given["pitch"] = exact_text(row.t)
    if row.brief.follows == "ends":
        left, right = (exact_text(max(end, 0 * end)) for end in (row.left, row.right))
        given["ends"] = {"rule": "margin", "left": left, "right": right}
    return {k: v for k, v in given.items() if k != follows}


def describe(before: Brief, after: Brief) -> str:
    """What a change did, for what can be taken back."""
    # Which figure follows changes along with the one that was typed; that one is the news.
    held = read_brief(_letting_follow(before, after.row.follows))
    changes = list(differences(held, after)) or list(differences(before, after))
    return change_text(before, after, changes)
