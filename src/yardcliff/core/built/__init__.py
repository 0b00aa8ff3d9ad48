"""What was really made: measured against planned, ways out where it went wrong, and what it teaches."""
