"""Page numbers printed with the text: where they stand on the trimmed page, and on the sheet."""

from weald.core.drawing import Drawing, Sketch
from weald.core.folding.imposition import SpineSide
from weald.core.forme.layout import Layout, PlacedPage
from weald.core.forme.marks import rotation_of
from weald.core.job.extras.pages import PageNumbers
from weald.core.job.paging import number_of
from weald.core.press.press import side_drawing
from weald.core.units import Mm


def number_place(numbers: PageNumbers, leaf: tuple[Mm, Mm], spine: SpineSide | None) -> tuple[Mm, Mm]:
    """The middle of a number on its trimmed page as it is read, from its top left corner.

    :param spine: the side the spine lies on.
    """
    width, height = leaf
    y = numbers.edge if numbers.where == "head" else height - numbers.edge
    if numbers.side == "middle":
        return width / 2, y
    at_left = (numbers.side == "inside") == (spine == "left")
    return (numbers.aside if at_left else width - numbers.aside), y


def draw_numbers(
    layout: Layout, pages: list[PlacedPage], numbers: PageNumbers, leaf: tuple[Mm, Mm]
) -> Drawing:
    """The numbers of one side of a sheet, each on its page, whichever way its head points."""
    sketch = Sketch()
    for page in pages:
        words = number_of(page.page, numbers)
        if words:
            x, y = onto_sheet(page, number_place(numbers, leaf, page.spine), leaf[1])
            sketch.label(x, y, words, height=numbers.capital, rotation=rotation_of(page.up))
    return side_drawing(layout, sketch)


def onto_sheet(page: PlacedPage, point: tuple[Mm, Mm], height: Mm) -> tuple[Mm, Mm]:
    """A point of a trimmed page as it is read, from its top left corner, where it lies on the sheet.

    :param height: of the trimmed page.
    """
    (right, up), box = page.up, page.box
    along, above = point[0], height - point[1]
    left = {(0, 1): box.left, (0, -1): box.right, (1, 0): box.left, (-1, 0): box.right}[page.up]
    low = {(0, 1): box.bottom, (0, -1): box.top, (1, 0): box.top, (-1, 0): box.bottom}[page.up]
    return left + up * along + right * above, low + right * along - up * above
