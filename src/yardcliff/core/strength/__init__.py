"""What carries and what gives way first: forces, wood, screws, plates, sticks. Rules of thumb, on the safe side."""
