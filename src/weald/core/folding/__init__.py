"""Folding: from a programme of folds and a number of pages to which page stands where."""
