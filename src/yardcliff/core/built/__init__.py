"""What really happened: facts, ways out where it went wrong, and what the log teaches of the user's
own habits.

Begin at `facts`. What is there already is `design.there`, as a plan bends around it. Imports
`making` and below.
"""
