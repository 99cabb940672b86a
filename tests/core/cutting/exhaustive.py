"""Every way of cutting a small sheet tried: whether pieces come out of it in straight cuts."""

from functools import lru_cache

Sizes = tuple[tuple[int, int], ...]


@lru_cache(maxsize=200_000)
def comes_out(width: int, height: int, pieces: Sizes) -> bool:
    """Whether all pieces, none of them turned, can be cut out of a sheet.

    Cuts are tried at every whole unit, with every way of sharing the pieces out between the two parts.
    """
    if not pieces:
        return True
    if sum(across * down for across, down in pieces) > width * height:
        return False
    if any(across > width or down > height for across, down in pieces):
        return False
    if len(pieces) == 1:
        return True
    shares = [
        (
            tuple(piece for place, piece in enumerate(pieces) if chosen >> place & 1),
            tuple(piece for place, piece in enumerate(pieces) if not chosen >> place & 1),
        )
        for chosen in range(1, 2 ** len(pieces) - 1)
    ]
    return any(
        comes_out(cut, height, here) and comes_out(width - cut, height, there)
        for here, there in shares
        for cut in {max(across for across, _ in here)}
    ) or any(
        comes_out(width, cut, here) and comes_out(width, height - cut, there)
        for here, there in shares
        for cut in {max(down for _, down in here)}
    )
