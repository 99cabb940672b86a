"""What binders add to a structure: one module each, whose record says what it asks for, adds and forbids."""
