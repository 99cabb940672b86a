"""Pictures of the work, from a tablet's camera or a file: made safe and smaller before they are kept.

What is kept is written anew from the pixels alone: upright, no larger than a screen shows, and without what a
camera writes beside them (place, device, thumbnails).
"""

from pathlib import Path

from PIL import Image, ImageOps, UnidentifiedImageError

from weald.exchange.reports import PhotographError, PhotographReport

MOST_PIXELS = 120_000_000
LARGEST = 1600
"""Pixels along the longer side, as kept."""
_QUALITY = 82
_FORMATS = ("JPEG", "PNG", "WEBP")


def make_safe(path: Path) -> PhotographReport:
    """Write a picture anew, in place.

    :raises PhotographError: when it is of another kind, damaged, or has too many pixels.
    """
    try:
        with Image.open(path, formats=_FORMATS) as picture:
            if picture.width * picture.height > MOST_PIXELS:
                raise PhotographError("The picture has too many pixels; take it smaller.")
            picture.draft("RGB", (LARGEST, LARGEST))
            upright = ImageOps.exif_transpose(picture) or picture
            upright.thumbnail((LARGEST, LARGEST))
            kept = upright.convert("RGB")
    except (
        UnidentifiedImageError,
        Image.DecompressionBombError,
        OSError,
        SyntaxError,
        ValueError,
        TypeError,
    ):
        raise PhotographError(
            "This is no picture that can be kept: bring a JPEG, PNG or WebP that opens elsewhere."
        ) from None
    clean = Image.new("RGB", kept.size)
    clean.paste(kept)
    clean.save(path, "JPEG", quality=_QUALITY, optimize=True)
    return PhotographReport(*clean.size)
