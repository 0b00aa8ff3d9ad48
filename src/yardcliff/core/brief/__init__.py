"""What a user decides: the brief that every way of building extends, and what it asks of wall, saw
and bench.

Begin at `rack_brief.RackBrief`. Imports `row` and below.
"""
