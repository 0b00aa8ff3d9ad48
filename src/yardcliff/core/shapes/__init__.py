"""Outlines in mm, and the scene: what any drawing is made of before somebody inks it.

Begin at `scene.Scene`. Imports `units`.
"""
