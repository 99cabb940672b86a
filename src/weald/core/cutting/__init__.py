"""Cutting pieces from stock in straight cuts from edge to edge."""
