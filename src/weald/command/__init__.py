"""What ./weald does once Python is there: start, test, lint, measure, plan."""
