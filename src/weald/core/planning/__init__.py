"""The plan of a book, and what is asked of it: schools compared, a case offered up, a set, a house."""
