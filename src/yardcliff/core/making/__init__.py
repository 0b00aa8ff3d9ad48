"""From a plan to a finished rack: tasks and what each needs, their order with reasons, the days
that they take.

Begin at `tasks`. Imports `wood`, `design` and below.
"""
