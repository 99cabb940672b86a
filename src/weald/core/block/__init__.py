"""The block: swell and round of its spine, the holes of its sewing, and the sewing stitch by stitch."""
