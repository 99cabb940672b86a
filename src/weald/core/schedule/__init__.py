"""Several books, hands and places laid over time.

Pure: time is whole minutes from the moment laid out from, and hours of people are handed in. What is laid out
is only ever reckoned from what is known; nothing of it is kept but the order somebody liked.

Kept are who is there when, what is promised, what somebody put to a time, and the order books are taken in:
turns and doers by task, found by the worker or, without one, what has the least time to spare. Each time a
week is read, tasks are made of where every book stands and taken by their turns, each as early as people,
places, waits and wishes allow. So whatever happens at a bench is in the week at once, and the same order
moves only what has to move. The search begins with rules of thumb, goes on with CP-SAT, and is compared with
the least any layout costs.
"""
