"""What binders add to a structure, as entries of a job: one group each, nothing where it is not used."""
