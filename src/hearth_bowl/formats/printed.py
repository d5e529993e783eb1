"""Pages that are made to be printed: title, headings, paragraphs, tables to tick, a curve, a box; A4 or Letter."""

from collections.abc import Sequence
from dataclasses import dataclass
from io import BytesIO
from typing import Any, Final
from xml.sax.saxutils import escape

from hearth_bowl.core.boxes.box_card import Lies
from hearth_bowl.formats.letters import BOLD, PT_PER_MM, REGULAR, drawable, letters, paper_mm

MARGIN_MM: Final = 16.0
TEXT_PT, SMALL_PT, TITLE_PT, HEAD_PT = 11.0, 9.0, 22.0, 13.0
LEADING: Final = 1.3
FRAME_PT: Final = 6.0
"""What reportlab's frames leave free at each side."""
CURVE_MM: Final = (178.0, 50.0)


@dataclass(frozen=True, slots=True)
class Heading:
    """A heading."""

    text: str


@dataclass(frozen=True, slots=True)
class Text:
    """A paragraph; `strong` stands out, `small` stands back."""

    text: str
    strong: bool = False
    small: bool = False


@dataclass(frozen=True, slots=True)
class Rows:
    """A table without a head: shares of the page's width by column, the cells, and which columns are bold. A cell
    stays whole on a page. `tick`: with a box to tick before each."""

    shares: tuple[float, ...]
    cells: tuple[tuple[str, ...], ...]
    bold: tuple[int, ...] = ()
    tick: bool = False


@dataclass(frozen=True, slots=True)
class Curve:
    """A line through points (minutes, degrees), with what its ends are called."""

    points: tuple[tuple[float, float], ...]
    unit: str


@dataclass(frozen=True, slots=True)
class BoxDrawn:
    """A box as it is packed, one layer, with the number of each kind; mm. It is drawn at most so high on the page."""

    length_mm: float
    width_mm: float
    most_mm: float
    places: tuple[Lies, ...]


Block = Heading | Text | Rows | Curve | BoxDrawn


@dataclass(frozen=True, slots=True, kw_only=True)
class Printed:
    """A page or several: its title, a line under it, and what follows."""

    title: str
    under: str
    blocks: tuple[Block, ...]


def printed_pdf(printed: Printed, page: str) -> bytes:
    """Return the pages as PDF, black on white, numbered.

    :raises BadInput: at `page`.
    """
    from reportlab.platypus import Paragraph, SimpleDocTemplate, Spacer

    letters()
    width, height = (side * PT_PER_MM for side in paper_mm(page))
    margin = MARGIN_MM * PT_PER_MM
    out = BytesIO()
    document = SimpleDocTemplate(
        out,
        pagesize=(width, height),
        leftMargin=margin,
        rightMargin=margin,
        topMargin=margin,
        bottomMargin=margin,
        title=printed.title,
        invariant=1,
    )
    room = width - 2 * margin - 2 * FRAME_PT
    story: list[Any] = [Paragraph(_marked(printed.title), _style(TITLE_PT, bold=True))]
    if printed.under:
        story.append(Paragraph(_marked(printed.under), _style(TEXT_PT)))
    story.append(Spacer(1, 3 * PT_PER_MM))
    for block in printed.blocks:
        story += _flowed(block, room)
    document.build(story, onFirstPage=_foot(printed.title), onLaterPages=_foot(printed.title))
    return out.getvalue()


def _marked(text: str) -> str:
    return escape(drawable(text))


def _style(size_pt: float, bold: bool = False) -> Any:
    from reportlab.lib.styles import ParagraphStyle

    return ParagraphStyle(
        "p", fontName=BOLD if bold else REGULAR, fontSize=size_pt, leading=size_pt * LEADING, spaceAfter=size_pt * 0.3
    )


def _foot(title: str) -> Any:
    def draw(canvas: Any, document: Any) -> None:
        canvas.setFont(REGULAR, SMALL_PT)
        low = MARGIN_MM * PT_PER_MM / 2
        canvas.drawString(document.leftMargin + FRAME_PT, low, drawable(title)[:90])
        canvas.drawRightString(document.pagesize[0] - document.rightMargin - FRAME_PT, low, f"page {document.page}")

    return draw


def _flowed(block: Block, room_pt: float) -> list[Any]:
    from reportlab.platypus import CondPageBreak, Paragraph, Spacer

    match block:
        case Heading(text):
            return [CondPageBreak(25 * PT_PER_MM), Paragraph(_marked(text), _style(HEAD_PT, bold=True))]
        case Text(text, strong, small):
            return [Paragraph(_marked(text), _style(SMALL_PT if small else TEXT_PT, bold=strong))]
        case Rows():
            return [_table(block, room_pt), Spacer(1, 3 * PT_PER_MM)]
        case Curve():
            return [_curve(block, room_pt), Spacer(1, 3 * PT_PER_MM)]
        case BoxDrawn():
            return [_box(block, room_pt), Spacer(1, 3 * PT_PER_MM)]


def _table(rows: Rows, room_pt: float) -> Any:
    from reportlab.lib.colors import Color
    from reportlab.platypus import Paragraph, Table, TableStyle

    tick_pt = 7 * PT_PER_MM if rows.tick else 0.0
    total = sum(rows.shares)
    widths = [share / total * (room_pt - tick_pt) for share in rows.shares]
    cells: list[list[Any]] = [
        [Paragraph(_marked(text), _style(TEXT_PT, bold=column in rows.bold)) for column, text in enumerate(row)]
        for row in rows.cells
    ]
    if rows.tick:
        widths = [tick_pt, *widths]
        cells = [[_tick(), *row] for row in cells]
    if not cells:
        return Paragraph("", _style(TEXT_PT))
    grey = Color(0.7, 0.7, 0.7)
    plain = [
        ("VALIGN", (0, 0), (-1, -1), "TOP"),
        ("LINEBELOW", (0, 0), (-1, -1), 0.4, grey),
        ("LEFTPADDING", (0, 0), (-1, -1), 0),
        ("TOPPADDING", (0, 0), (-1, -1), 2),
        ("BOTTOMPADDING", (0, 0), (-1, -1), 1),
    ]
    return Table(cells, colWidths=widths, style=TableStyle(plain), hAlign="LEFT")


def _tick() -> Any:
    from reportlab.graphics.shapes import Drawing, Rect

    side = 3.4 * PT_PER_MM
    drawing = Drawing(side, side)
    drawing.add(Rect(0, 0, side, side, fillColor=None, strokeWidth=0.8))
    return drawing


def _curve(curve: Curve, room_pt: float) -> Any:
    from reportlab.graphics.shapes import Drawing, PolyLine, String

    wide, high = min(room_pt, CURVE_MM[0] * PT_PER_MM), CURVE_MM[1] * PT_PER_MM
    drawing = Drawing(wide, high)
    minutes, degrees = zip(*curve.points, strict=True)
    last, low, top = max(minutes), min(degrees), max(degrees)
    foot, span = 5 * PT_PER_MM, max(1.0, top - low)
    across = wide / max(1.0, last)
    flat = [
        side
        for at, warm in curve.points
        for side in (at * across, foot + (warm - low) / span * (high - foot - 5 * PT_PER_MM))
    ]
    drawing.add(PolyLine(flat, strokeWidth=1.2))
    small = {"fontName": REGULAR, "fontSize": SMALL_PT}
    drawing.add(String(0, high - SMALL_PT, f"{top:.0f} {curve.unit}", **small))
    drawing.add(String(0, 0, f"{low:.0f} {curve.unit}", **small))
    drawing.add(String(wide, 0, f"{last:.0f} min", textAnchor="end", **small))
    return drawing


def _box(box: BoxDrawn, room_pt: float) -> Any:
    """Draw a box from above, as large as it is where the page has room for it."""
    from reportlab.graphics.shapes import Drawing, Rect, String

    scale = min(1.0, room_pt / PT_PER_MM / box.length_mm, box.most_mm / box.width_mm) * PT_PER_MM
    wide, high = box.length_mm * scale, box.width_mm * scale
    drawing = Drawing(wide, high)
    drawing.add(Rect(0, 0, wide, high, fillColor=None, strokeWidth=1.2))
    for place in box.places:
        x, y = place.x_mm * scale, high - (place.y_mm + place.wide_mm) * scale
        long, broad = place.long_mm * scale, place.wide_mm * scale
        inset = 0.8 * PT_PER_MM
        drawing.add(
            Rect(x + inset, y + inset, long - 2 * inset, broad - 2 * inset, 4, 4, fillColor=None, strokeWidth=0.6)
        )
        words = {"fontName": BOLD, "fontSize": HEAD_PT, "textAnchor": "middle"}
        drawing.add(String(x + long / 2, y + broad / 2 - HEAD_PT * 0.35, str(place.kind + 1), **words))
    return drawing


def numbered(texts: Sequence[str]) -> tuple[tuple[str, str], ...]:
    """Return texts as rows with their numbers."""
    return tuple((f"{number}.", text) for number, text in enumerate(texts, 1))
