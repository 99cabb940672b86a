"""The finishing template: what is tooled and pasted on the spine and the boards, at true size."""
