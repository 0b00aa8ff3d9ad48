"""What there is to say of a design - findings with their fixes, figures with their working - and
the patch that changes it.

Begin at `finding.Finding`; `patch` is how every change travels. Imports `units`.
"""
