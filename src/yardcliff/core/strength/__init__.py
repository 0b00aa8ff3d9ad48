"""What carries and what gives way first: forces, wood, screws, plates, sticks. Rules of thumb, on
the safe side.

Begin at `link.Link`, which is what all of them come to. Knows no rack. Imports `materials` and
below.
"""
