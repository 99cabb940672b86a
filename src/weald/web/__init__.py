"""The web application: load, call the core, store, answer. No size is worked out here."""
