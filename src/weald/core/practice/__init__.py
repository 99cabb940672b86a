"""Exercises made anew by a seed, and judged by what folds, never by one stored answer."""
