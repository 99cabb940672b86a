"""Printed covers: flat, round the closed book, and their barcodes."""
