"""The rules of the job, with no I/O. Rooms, each importing only those before it (contracts in
`pyproject.toml`):

base, units, shapes, findings      what everything is said in
materials, strength                what a rack is made of, and what that bears
things, row                        what hangs, and how a row of holders is spaced
brief                              what a user decides
rack, holders, ways                what each way of building makes of it
drawing, wall                      views of it; the wall that it hangs on
design                             all of that of one brief: what everything outside reads
workshop, cutting, wood            tools and habits; what to saw from what, and what it costs
making, built                      the order of work; what really happened
"""
