"""A job as it is written: its entries as types, changes to it, and the words for what is wrong."""
