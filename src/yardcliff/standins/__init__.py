"""Small simulated stand-ins of outside services, behind the same ports as real ones."""
