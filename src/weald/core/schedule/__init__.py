"""Several books, hands and places laid over time.

Pure: time is whole minutes from the moment laid out from, and hours of people are handed in. What is laid out
is only ever reckoned from what is known; nothing of it is kept but the order somebody liked.
"""
