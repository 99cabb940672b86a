"""The craft: pure Python, without Django, files, clock or network.

The door to it is :func:`weald.core.planning.plan.plan`, which turns a
:class:`weald.core.job.spec.JobSpec` into a :class:`weald.core.planning.plan.Plan`.
"""
