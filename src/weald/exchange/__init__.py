"""Files in and out. Everything here reads a plan or a drawing and never changes it."""
