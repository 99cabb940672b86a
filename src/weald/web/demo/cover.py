"""The demo's artwork for a printed cover: gulls over a sea, drawn to the document's own size."""

from weald.core.covers.art import CoverArt

_GULLS = ((0.12, 0.22, 26), (0.3, 0.34, 16), (0.62, 0.2, 30), (0.78, 0.36, 20), (0.9, 0.18, 14))
_SKY, _SEA, _DEEP, _SAND, _INK = "#f1e7d2", "#7f9aa0", "#45636d", "#d9c08d", "#2b3138"


def gulls_svg(art: CoverArt) -> bytes:
    """A drawing as large as the document, back, spine and front across it."""
    width, height = art.width, art.height
    shapes = [
        f'<rect width="{width}" height="{height}" fill="{_SKY}"/>',
        f'<rect y="{height * 0.55}" width="{width}" height="{height * 0.45}" fill="{_SEA}"/>',
        f'<rect y="{height * 0.72}" width="{width}" height="{height * 0.28}" fill="{_DEEP}"/>',
        f'<rect y="{height * 0.9}" width="{width}" height="{height * 0.1}" fill="{_SAND}"/>',
    ]
    for across, down, span in _GULLS:
        x, y = across * width, down * height
        half = span / 2
        path = f"M{x - span} {y} Q{x - half} {y - half} {x} {y} Q{x + half} {y - half} {x + span} {y}"
        shapes.append(f'<path d="{path}" fill="none" stroke="{_INK}" stroke-width="2.5"/>')
    front = next(zone for zone in art.zones if zone.kind == "front")
    spine = next(zone for zone in art.zones if zone.kind == "spine")
    middle = front.x + front.width / 2
    for row, words in enumerate(("Alphabet", "of gulls")):
        y = front.y + front.height * (0.5 + 0.1 * row)
        shapes.append(
            f'<text x="{middle}" y="{y}" font-size="20" text-anchor="middle" font-family="Times-Roman" '
            f'fill="{_INK}">{words}</text>'
        )
    x, y = spine.x + spine.width * 0.34, spine.y + spine.height / 2
    shapes.append(
        f'<text x="0" y="0" font-size="{spine.width * 0.5}" text-anchor="middle" font-family="Times-Roman" '
        f'fill="{_INK}" transform="translate({x} {y}) rotate(90)">Alphabet of gulls</text>'
    )
    head = (
        f'<svg xmlns="http{"://"}www.w3.org/2000/svg" width="{width}mm" height="{height}mm" '
        f'viewBox="0 0 {width} {height}">'
    )
    return (head + "".join(shapes) + "</svg>").encode()
