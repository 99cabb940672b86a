"""What is printed, and what comes back: sheets laid out, drawn, folded as a dummy, and read."""
