"""The printed sheet: where pages and marks stand on the paper in the printer."""
