"""SVG drawings and pictures that are damaged, odd, or made to hurt whoever opens them."""

import base64
import io
import random
import struct
import zlib
from collections.abc import Iterator

from PIL import Image

Named = tuple[str, bytes]
_HEAD = '<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" '
_SIZE = 'width="300mm" height="200mm" viewBox="0 0 300 200">'


def svg(body: str, size: str = _SIZE, head: str = "") -> bytes:
    """A drawing with such a body."""
    return f"{head}{_HEAD}{size}{body}</svg>".encode()


def every_svg() -> Iterator[Named]:
    """All drawings, by name."""
    yield "plain", svg('<rect x="10" y="10" width="50" height="50"/>')
    yield "empty", svg("")
    yield "shapes-49000", svg('<rect width="9" height="9"/>' * 49_000)
    yield "shapes-400000", svg('<rect width="9" height="9"/>' * 400_000)
    yield (
        "transforms-100000",
        svg(f'<g transform="{"rotate(1) " * 100_000}"><rect width="9" height="9"/></g>'),
    )
    yield "path-of-a-million", svg(f'<path d="M0 0{"L9 9" * 1_000_000}"/>')
    yield "groups-deep", svg("<g>" * 20_000 + "</g>" * 20_000)
    yield "groups-200-deep", svg("<g>" * 200 + '<rect width="9" height="9"/>' + "</g>" * 200)
    yield "uses-itself", svg('<g id="a"><use xlink:href="#a"/></g>')
    ring = '<g id="a"><use xlink:href="#b"/></g><g id="b"><use xlink:href="#a"/></g>'
    yield "uses-in-a-ring", svg(ring)
    tens = "".join(f'<g id="g{n}">{f"""<use xlink:href="#g{n + 1}"/>""" * 10}</g>' for n in range(9))
    yield "uses-ten-times-ten", svg(f'{tens}<rect id="g9" width="1" height="1"/>')
    entities = "".join(f'<!ENTITY e{n} "{f"&e{n - 1};" * 10 if n else "ha" * 10}">' for n in range(10))
    yield "laughter", svg("<text>&e9;</text>", head=f"<!DOCTYPE svg [{entities}]>")
    yield (
        "outside-entity",
        svg("<text>&x;</text>", head='<!DOCTYPE svg [<!ENTITY x SYSTEM "file:///etc/passwd">]>'),
    )
    yield "outside-picture", svg('<image xlink:href="http://127.0.0.1:1/a.png" width="9" height="9"/>')
    yield "file-picture", svg('<image xlink:href="file:///etc/passwd" width="9" height="9"/>')
    yield "script", svg("<script>alert(1)</script><rect width='9' height='9' onload='alert(1)'/>")
    yield "style-outside", svg("<style>@import url(http://127.0.0.1:1/a.css);</style><rect width='9'/>")
    for name, size in {
        "nothing": 'width="0" height="0">',
        "not-a-number": 'width="NaN" height="NaNmm">',
        "endless": 'width="1e308" height="1e308">',
        "negative": 'width="-5" height="-9">',
        "viewbox-of-nothing": 'width="90mm" height="90mm" viewBox="0 0 0 0">',
        "viewbox-of-words": 'width="90mm" height="90mm" viewBox="a b c d">',
    }.items():
        yield f"size-{name}", svg('<rect width="9" height="9"/>', size)
    giant = base64.b64encode(gigapixel_png()).decode()
    yield (
        "embedded-gigapixel",
        svg(f'<image xlink:href="data:image/png;base64,{giant}" width="90" height="90"/>'),
    )
    yield "text-of-a-megabyte", svg(f"<text x='0' y='9'>{'word ' * 200_000}</text>")
    yield "path-of-words", svg('<path d="M these are no numbers L 1 1"/>')
    yield "path-of-extremes", svg('<path d="M1e308 -1e308 L 5e-324 NaN Z"/>')
    yield "arc-of-nothing", svg('<path d="M0 0A0 0 0 9 9 1e9 1e9"/>')
    yield (
        "gradient-of-itself",
        svg('<linearGradient id="g" xlink:href="#g"/><rect width="9" height="9" fill="url(#g)"/>'),
    )
    yield (
        "clip-of-itself",
        svg(
            '<clipPath id="c"><rect clip-path="url(#c)" width="9" height="9"/></clipPath>'
            '<rect width="9" height="9" clip-path="url(#c)"/>'
        ),
    )
    yield "cut-short", svg('<rect width="9" height="9"/>')[:-9]
    yield "no-svg", b"<?xml version='1.0'?><html/>"
    yield "wrong-encoding", b"<?xml version='1.0' encoding='utf-16'?><svg/>"
    yield "colour-of-words", svg('<rect width="9" height="9" fill="rgb(1e9,NaN,)"/>')
    yield "stroke-without-end", svg('<rect width="9" height="9" stroke="red" stroke-dasharray="0.0000001"/>')


def _chunk(kind: bytes, data: bytes) -> bytes:
    return struct.pack(">I", len(data)) + kind + data + struct.pack(">I", zlib.crc32(kind + data))


def png(width: int, height: int, rows: bytes, *more: bytes, colour: int = 2, depth: int = 8) -> bytes:
    """A PNG of its chunks."""
    head = _chunk(b"IHDR", struct.pack(">IIBBBBB", width, height, depth, colour, 0, 0, 0))
    body = b"".join(more) + _chunk(b"IDAT", zlib.compress(rows, 9)) + _chunk(b"IEND", b"")
    return b"\x89PNG\r\n\x1a\n" + head + body


def gigapixel_png() -> bytes:
    """A picture that says it is 32,000 × 32,000, in a few kilobytes."""
    return png(32_000, 32_000, bytes(1 << 20))


def every_picture() -> Iterator[Named]:
    """All pictures, by name."""
    buffer = io.BytesIO()
    Image.new("RGB", (600, 400), "red").save(buffer, "PNG", dpi=(72, 72))
    honest = buffer.getvalue()
    yield "honest", honest
    yield "gigapixel", gigapixel_png()
    yield "cut-short", honest[: len(honest) // 2]
    yield "of-nothing", png(0, 0, b"")
    yield "one-line", png(65_535, 1, bytes(65_535 * 3 + 1))
    yield "one-column", png(1, 65_535, bytes(65_535 * 4))
    yield "no-palette", png(100, 100, bytes(101 * 100), colour=3)
    yield "too-few-rows", png(1000, 1000, bytes(50))
    yield (
        "words-bomb",
        png(100, 100, bytes(301 * 100), _chunk(b"zTXt", b"a\0\0" + zlib.compress(b" " * (300 << 20), 9))),
    )
    yield (
        "profile-bomb",
        png(100, 100, bytes(301 * 100), _chunk(b"iCCP", b"a\0\0" + zlib.compress(bytes(300 << 20), 9))),
    )
    for seed in range(6):
        chance, data = random.Random(seed), bytearray(honest)
        for _ in range(20):
            data[chance.randrange(16, len(data))] = chance.randrange(256)
        yield f"mutation-{seed}", bytes(data)
    buffer = io.BytesIO()
    Image.new("RGB", (600, 400), "blue").save(buffer, "JPEG")
    yield "jpeg-cut-short", buffer.getvalue()[:400]
    yield "jpeg-of-extremes", buffer.getvalue().replace(struct.pack(">HH", 400, 600), b"\xff\xff\xff\xff")
