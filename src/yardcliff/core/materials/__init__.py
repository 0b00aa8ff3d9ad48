"""What a rack is made of and held with: blanks of wood, wares with their sizes.

Begin at `goods`. Imports `units`.
"""
