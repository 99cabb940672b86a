"""The craft: pure Python, without Django, files, clock or network.

The door to it is :func:`weald.core.plan.plan`, which turns a
:class:`weald.core.spec.JobSpec` into a :class:`weald.core.plan.Plan`.
"""
