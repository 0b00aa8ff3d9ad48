"""The kinds of holder - hook, peg, hole, slot … - each fitted to the ground that it goes into.

Begin at `fitting.Fitting`; `kit` has those that any part can carry. A new one is one module.
Imports `rack` and below; only `ways` may import it.
"""
