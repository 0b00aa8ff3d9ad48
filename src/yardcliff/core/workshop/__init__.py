"""The workshop of all racks: its tools, hours and hands, and how each class of work is done with them."""
