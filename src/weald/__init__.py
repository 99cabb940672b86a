"""Weald: planning, calculating and recording for people who bind books by hand."""
