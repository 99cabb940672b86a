"""One module a structure, all answering :class:`weald.core.bindings.protocol.Structure`."""
