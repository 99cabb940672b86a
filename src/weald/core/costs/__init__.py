"""What a job costs: reckoned beforehand from its plan, and afterwards from what was taken and worked."""
