"""PDFs that are damaged, odd, or made to hurt whoever opens them. The same ones every time."""

import io
import random
import zlib
from collections.abc import Iterator, Sequence
from functools import lru_cache

import pikepdf
from reportlab.pdfgen.canvas import Canvas

Named = tuple[str, bytes]
MUTATIONS = 130
_BLANKS = 400 << 20
"""So many blanks a bomb unpacks to."""


@lru_cache(maxsize=1)
def plain_pdf() -> bytes:
    """Four honest pages."""
    buffer = io.BytesIO()
    canvas = Canvas(buffer, pagesize=(397, 595), invariant=1)
    for page in range(1, 5):
        canvas.drawString(50, 500, f"Page {page} of the sample")
        canvas.rect(40, 40, 300, 400)
        canvas.showPage()
    canvas.save()
    return buffer.getvalue()


def every_pdf() -> Iterator[Named]:
    """All of them, by name."""
    yield from _mutations()
    yield from _wrong_types()
    yield from _structures()
    yield from _loops()
    yield from _bombs()


def _mutations() -> Iterator[Named]:
    plain = plain_pdf()
    for seed in range(MUTATIONS):
        chance = random.Random(seed)
        data = bytearray(plain)
        way = seed % 5
        start = chance.randrange(len(data))
        length = chance.randrange(1, 400)
        if way == 0:
            for _ in range(chance.randrange(1, 30)):
                data[chance.randrange(len(data))] = chance.randrange(256)
        elif way == 1:
            del data[start : start + length]
        elif way == 2:
            data[start:start] = data[start : start + length] * chance.randrange(1, 5)
        elif way == 3:
            data[start : start + length] = bytes(len(data[start : start + length]))
        else:
            data = data[: max(20, start)] + b"\n%%EOF"
        yield f"mutation-{seed}", bytes(data)


def written(objects: Sequence[str | bytes], trailer: str = "", startxref: str | None = None) -> bytes:
    """A PDF out of its objects, numbered from 1; the first is its catalogue."""
    out = io.BytesIO()
    out.write(b"%PDF-1.7\n")
    places = []
    for number, each in enumerate(objects, start=1):
        places.append(out.tell())
        body = each.encode("latin-1") if isinstance(each, str) else each
        out.write(b"%d 0 obj\n" % number + body + b"\nendobj\n")
    table = out.tell()
    out.write(b"xref\n0 %d\n0000000000 65535 f \n" % (len(objects) + 1))
    for place in places:
        out.write(b"%010d 00000 n \n" % place)
    out.write(f"trailer\n<< /Size {len(objects) + 1} /Root 1 0 R {trailer} >>\n".encode())
    out.write(f"startxref\n{startxref or table}\n%%EOF".encode())
    return out.getvalue()


def stream(data: bytes, entries: str = "") -> bytes:
    """A stream object."""
    return f"<< /Length {len(data)} {entries} >>\nstream\n".encode() + data + b"\nendstream"


_CATALOGUE = "<< /Type /Catalog /Pages 2 0 R >>"
_DRAWS_X = (
    "<< /Type /Page /Parent 2 0 R /MediaBox [0 0 397 595] /Contents 4 0 R "
    "/Resources << /XObject << /X 5 0 R >> >> >>"
)
_TREE = "<< /Type /Pages /Kids [3 0 R] /Count 1 >>"
_BOX = "/MediaBox [0 0 397 595]"


def page(entries: str = "", content: str | bytes = b"0 0 100 100 re f", resources: str = "") -> bytes:
    """One page with such entries."""
    body = content if isinstance(content, bytes) else content.encode()
    return written(
        [
            _CATALOGUE,
            _TREE,
            f"<< /Type /Page /Parent 2 0 R {_BOX} /Contents 4 0 R /Resources << {resources} >> {entries} >>",
            stream(body),
        ]
    )


_VALUES = (
    *("null", "true", "-90", "45", "99999999999999999999", "1e308", "(words)", "/Name", "[]", "[null]"),
    *(
        "[0 0 0 0]",
        "[10 10 5]",
        "[(a) (b) (c) (d)]",
        "<< >>",
        "<< /A 3 0 R >>",
        "77 0 R",
        "3 0 R",
        "[[[[]]]]",
    ),
)
_KEYS = ("/Rotate", "/UserUnit", "/MediaBox", "/CropBox", "/TrimBox", "/Annots", "/Resources", "/Contents")


def _wrong_types() -> Iterator[Named]:
    """A wrong type at every key that is read."""
    for key in _KEYS:
        for place, value in enumerate(_VALUES):
            given = {"/MediaBox": "", "/Contents": "/Contents 4 0 R", "/Resources": "/Resources << >>"}
            box = "" if key == "/MediaBox" else _BOX
            kept = " ".join(text for name, text in given.items() if name != key)
            body = f"<< /Type /Page /Parent 2 0 R {box} {kept} {key} {value} >>"
            yield f"type{key.replace('/', '-')}-{place}", written([_CATALOGUE, _TREE, body, stream(b"q Q")])
    for place, value in enumerate(_VALUES):
        body = f"<< /Type /Page /Parent 2 0 R {_BOX} >>"
        yield f"kids-{place}", written([_CATALOGUE, f"<< /Type /Pages /Kids {value} /Count 1 >>", body])
        yield (
            f"count-{place}",
            written([_CATALOGUE, f"<< /Type /Pages /Kids [3 0 R] /Count {value} >>", body]),
        )


def _structures() -> Iterator[Named]:
    plain = plain_pdf()
    yield "empty", b""
    yield "header-alone", b"%PDF-1.7\n%%EOF"
    yield "no-end", plain[: len(plain) // 2]
    yield "words", b"This is a letter, not a book.\n%%EOF"
    yield "startxref-of-20-digits", written([_CATALOGUE, _TREE, "<< >>"], startxref="9" * 20)
    yield "startxref-negative", written([_CATALOGUE, _TREE, "<< >>"], startxref="-7")
    yield "no-pages", written(["<< /Type /Catalog >>"])
    yield "page-of-30-by-8500", page("").replace(b"[0 0 397 595]", b"[0 0 30 8500]")
    yield "page-of-42-by-8500", page("").replace(b"[0 0 397 595]", b"[0 0 42.6 8500]")
    yield "page-of-nothing", page("").replace(b"[0 0 397 595]", b"[0 0 0 0]")
    yield "page-turned-inside-out", page("").replace(b"[0 0 397 595]", b"[397 595 0 0]")
    yield "contents-odd", page("/Contents [4 0 R null 3 (a) 99 0 R 4 0 R]")
    yield "contents-damaged", page("", b"\x00\xff q q q ( [ << 1 0 0 Q Q BT Tj " * 40)
    yield "stream-damaged", page("").replace(b"0 0 100 100 re f", b"\x01\x02\x03" * 5 + b"f")
    for password in ("", "secret"):
        with pikepdf.open(io.BytesIO(plain)) as pdf:
            out = io.BytesIO()
            pdf.save(out, encryption=pikepdf.Encryption(owner="owner", user=password))
            yield f"encrypted-{password or 'openly'}", out.getvalue()
    kids = " ".join(["3 0 R"] * 100_000)
    body = f"<< /Type /Page /Parent 2 0 R {_BOX} >>"
    yield "pages-100000", written([_CATALOGUE, f"<< /Type /Pages /Kids [{kids}] /Count 100000 >>", body])


def _loops() -> Iterator[Named]:
    yield "tree-of-itself", written([_CATALOGUE, "<< /Type /Pages /Kids [2 0 R] /Count 1 >>"])
    yield (
        "tree-in-a-ring",
        written(
            [
                _CATALOGUE,
                "<< /Type /Pages /Kids [3 0 R] /Count 1 >>",
                "<< /Type /Pages /Kids [2 0 R] /Parent 2 0 R /Count 1 >>",
            ]
        ),
    )
    yield (
        "parent-of-itself",
        written(
            [_CATALOGUE, _TREE, f"<< /Type /Page /Parent 3 0 R {_BOX} /Contents 4 0 R >>", stream(b"q Q")]
        ),
    )
    deep = 3000
    nodes = [
        f"<< /Type /Pages /Kids [{number + 1} 0 R] /Parent {number - 1} 0 R /Count 1 >>"
        for number in range(2, deep)
    ]
    yield "tree-3000-deep", written([_CATALOGUE, *nodes, f"<< /Type /Page /Parent {deep - 1} 0 R {_BOX} >>"])
    form = "/Type /XObject /Subtype /Form /BBox [0 0 397 595] /Resources << /XObject << /X 5 0 R >> >>"
    yield (
        "form-that-draws-itself",
        written(
            [
                _CATALOGUE,
                _TREE,
                _DRAWS_X,
                stream(b"/X Do"),
                stream(b"/X Do /X Do", form),
            ]
        ),
    )
    forms = [
        stream(
            b"/X Do " * 10,
            "/Type /XObject /Subtype /Form /BBox [0 0 397 595] /Resources << /XObject << /X "
            f"{number} 0 R >> >>",
        )
        for number in range(6, 16)
    ]
    last = stream(b"0 0 9 9 re f", "/Type /XObject /Subtype /Form /BBox [0 0 397 595]")
    yield (
        "forms-ten-times-ten",
        written(
            [
                _CATALOGUE,
                _TREE,
                _DRAWS_X,
                stream(b"/X Do " * 10),
                *forms,
                last,
            ]
        ),
    )


@lru_cache(maxsize=1)
def _bomb() -> bytes:
    """Very many blanks, deflated twice."""
    packer = zlib.compressobj(9)
    block = b" " * (1 << 20)
    once = b"".join([*(packer.compress(block) for _ in range(_BLANKS >> 20)), packer.flush()])
    return zlib.compress(once, 9)


def _bombs() -> Iterator[Named]:
    twice = "/Filter [/FlateDecode /FlateDecode]"
    content = stream(_bomb(), twice)
    body: str = f"<< /Type /Page /Parent 2 0 R {_BOX} /Contents %s >>"
    yield "flate-bomb", written([_CATALOGUE, _TREE, body % "4 0 R", content])
    yield "flate-bomb-named-often", written([_CATALOGUE, _TREE, body % f"[{'4 0 R ' * 20}]", content])
    packed = stream(_bomb(), f"/Type /ObjStm /N 1000000 /First 10 {twice}")
    yield "object-stream-bomb", written([_CATALOGUE, _TREE, body % "4 0 R", packed], "/Extends 4 0 R")
    table = f"/Type /XRef /Size 90000000 /W [1 4 2] /Root 1 0 R {twice}"
    objects: list[str | bytes] = [_CATALOGUE, _TREE, body % "4 0 R", stream(_bomb(), table)]
    made = written(objects)
    yield "cross-reference-bomb", written(objects, startxref=str(made.index(b"4 0 obj")))
    picture = "/Type /XObject /Subtype /Image /Width 60000 /Height 60000 /ColorSpace /DeviceRGB"
    yield (
        "picture-bomb",
        written(
            [
                _CATALOGUE,
                _TREE,
                _DRAWS_X,
                stream(b"397 0 0 595 0 0 cm /X Do"),
                stream(_bomb(), f"{picture} /BitsPerComponent 8 {twice}"),
            ]
        ),
    )
    yield "paths-without-end", page("", b"0 0 m " + b"9 9 l 3 7 l " * 2_000_000 + b"S")
