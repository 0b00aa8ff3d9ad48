"""What the interface and the command line ask for, in core values: racks on their walls, stock,
workshop, log and files.

Fetches what a design needs from the store and hands it to the core, which knows of no store. Begin
at `application.Application`.
"""
