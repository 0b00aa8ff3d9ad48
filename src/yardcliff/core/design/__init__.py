"""A brief worked out in full, and what works on the whole: changing it, trying it, comparing it,
bending it around what is built.

Begin at `design.Design`; `amend` is the one way in for a change. Imports `wall`, `drawing`, `ways`
and below.
"""
