"""The stations of a job in the order of work: each reckons, draws, and says what to mind."""
