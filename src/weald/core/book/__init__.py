"""The book in hand: what has been worked out of a job so far, and the walk past the stations that does it."""
