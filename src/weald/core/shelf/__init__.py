"""The shelf: stock, how it is written and converted, its grain, and what a piece is cut from."""
