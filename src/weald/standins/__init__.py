"""Simulated devices, for trying things out before paper is spent."""
