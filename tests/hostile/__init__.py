"""Damaged, odd and hostile files, made by script."""
