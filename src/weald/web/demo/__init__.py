"""The demo bindery: made-up books, stock, people and weeks, loaded once."""
