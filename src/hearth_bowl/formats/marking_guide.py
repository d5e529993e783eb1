"""A marking guide at true scale: as SVG in millimetres, and as PDF on A4 pages that join."""

from io import BytesIO
from math import ceil
from typing import Final
from xml.sax.saxutils import escape

from hearth_bowl.core.fit.marking import Guide
from hearth_bowl.formats.letters import PT_PER_MM, REGULAR, letters, paper_mm

ROOM_MM: Final = 14.0
"""Round the pan, for the distances."""
FOOT_MM: Final = 22.0
CHECK_MM: Final = 100.0
MARGIN_MM: Final = 10.0
OVERLAP_MM: Final = 10.0
CHECK_TEXT: Final = "This bar is 100 mm long. Measure it: print at 100 %, not fitted to the page."


def size_mm(guide: Guide) -> tuple[float, float]:
    """Return the guide's sheet: the pan with room round it and the bar to measure below."""
    return max(guide.width_mm, CHECK_MM) + 2 * ROOM_MM, guide.height_mm + 2 * ROOM_MM + FOOT_MM


def guide_svg(guide: Guide, title: str) -> str:
    """Return the guide as an SVG that is as large as the pan."""
    width, height = size_mm(guide)
    lines = [
        f'<line x1="{x0:.3f}" y1="{y0:.3f}" x2="{x1:.3f}" y2="{y1:.3f}" stroke="#000" stroke-width="{stroke}"/>'
        for lines, stroke in ((guide.cuts, 0.15), (guide.marks, 0.5))
        for x0, y0, x1, y1 in lines
    ]
    if guide.is_round:
        half = guide.width_mm / 2
        outline = (
            f'<circle cx="{half:.3f}" cy="{half:.3f}" r="{half:.3f}" fill="none" stroke="#000" stroke-width=".4"/>'
        )
    else:
        outline = (
            f'<rect width="{guide.width_mm:.3f}" height="{guide.height_mm:.3f}" rx="{guide.corner_mm:.3f}" '
            'fill="none" stroke="#000" stroke-width=".4"/>'
        )
    dots = [f'<circle cx="{x:.3f}" cy="{y:.3f}" r="1" fill="#000"/>' for x, y in guide.toppings]
    labels = [
        f'<text x="-1.5" y="{label.y_mm + 1:.3f}" text-anchor="end">{label.text}</text>'
        if label.upright
        else f'<text transform="translate({label.x_mm + 1:.3f} -1.5) rotate(-90)">{label.text}</text>'
        for label in guide.labels
    ]
    foot = guide.height_mm + 8
    return "\n".join(
        [
            f'<svg xmlns="http://www.w3.org/2000/svg" width="{width:g}mm" height="{height:g}mm" '
            f'viewBox="0 0 {width:g} {height:g}" font-family="sans-serif" font-size="2.8">',
            f"<title>{escape(title)}: {escape(guide.says)}</title>",
            f'<g transform="translate({ROOM_MM:g} {ROOM_MM:g})">',
            outline,
            *lines,
            *dots,
            *labels,
            f'<path d="M0 {foot:.3f}v4m0 -2h{CHECK_MM:g}m0 -2v4" fill="none" stroke="#000" stroke-width=".4"/>',
            f'<text y="{foot + 8:.3f}">{escape(CHECK_TEXT)}</text>',
            f'<text y="{foot + 13:.3f}">{escape(title)}: {escape(guide.says)}</text>',
            "</g></svg>",
        ]
    )


def guide_pdf(guide: Guide, title: str, page: str = "a4") -> bytes:
    """Return the guide as a PDF at true scale; one that is larger than the page goes on several that overlap by 10 mm.

    :raises BadInput: at `page`.
    """
    from reportlab.pdfgen.canvas import Canvas

    width, height = size_mm(guide)
    letters()
    paper = paper_mm(page)
    landscape = width > height and width <= paper[1] - 2 * MARGIN_MM
    page_w, page_h = paper[::-1] if landscape else paper
    columns, rows = (_pages(size, side - 2 * MARGIN_MM) for size, side in ((width, page_w), (height, page_h)))
    out = BytesIO()
    canvas = Canvas(out, pagesize=(page_w * PT_PER_MM, page_h * PT_PER_MM), invariant=1)
    canvas.setTitle(f"Marking guide: {title}")
    for row in range(rows):
        for column in range(columns):
            canvas.saveState()
            canvas.scale(PT_PER_MM, PT_PER_MM)
            canvas.setFont(REGULAR, 2.8)
            if columns * rows > 1:
                place = f"Row {row + 1} of {rows}, sheet {column + 1} of {columns}: lay the dashed edges on each other"
                canvas.drawString(MARGIN_MM, 4, place)
            clip = canvas.beginPath()
            clip.rect(MARGIN_MM, MARGIN_MM, page_w - 2 * MARGIN_MM, page_h - 2 * MARGIN_MM)
            canvas.clipPath(clip, stroke=0)
            step_x, step_y = page_w - 2 * MARGIN_MM - OVERLAP_MM, page_h - 2 * MARGIN_MM - OVERLAP_MM
            if columns * rows > 1:
                canvas.setLineWidth(0.3)
                canvas.setDash(2, 2)
                canvas.rect(MARGIN_MM, MARGIN_MM, page_w - 2 * MARGIN_MM, page_h - 2 * MARGIN_MM)
                canvas.setDash()
            canvas.translate(MARGIN_MM - column * step_x, page_h - MARGIN_MM + row * step_y)
            canvas.scale(1, -1)
            _draw(canvas, guide, title)
            canvas.restoreState()
            canvas.showPage()
    canvas.save()
    return out.getvalue()


def _pages(size_mm: float, page_mm: float) -> int:
    return 1 if size_mm <= page_mm else ceil((size_mm - OVERLAP_MM) / (page_mm - OVERLAP_MM))


def _draw(canvas, guide: Guide, title: str) -> None:  # type: ignore[no-untyped-def]
    """Draw the guide with y downwards in mm."""
    canvas.translate(ROOM_MM, ROOM_MM)
    canvas.setLineWidth(0.4)
    if guide.is_round:
        canvas.circle(guide.width_mm / 2, guide.width_mm / 2, guide.width_mm / 2)
    else:
        canvas.roundRect(0, 0, guide.width_mm, guide.height_mm, guide.corner_mm)
    for lines, stroke in ((guide.cuts, 0.15), (guide.marks, 0.5)):
        canvas.setLineWidth(stroke)
        for line in lines:
            canvas.line(*line)
    for x, y in guide.toppings:
        canvas.circle(x, y, 1, stroke=0, fill=1)
    for label in guide.labels:
        if label.upright:
            _write(canvas, label.text, -1.5, label.y_mm + 1, end=True)
        else:
            _write(canvas, label.text, label.x_mm + 1, -1.5, turned=True)
    foot = guide.height_mm + 8
    canvas.setLineWidth(0.4)
    for line in ((0, foot, 0, foot + 4), (0, foot + 2, CHECK_MM, foot + 2), (CHECK_MM, foot, CHECK_MM, foot + 4)):
        canvas.line(*line)
    _write(canvas, CHECK_TEXT, 0, foot + 8)
    _write(canvas, f"{title}: {guide.says}", 0, foot + 13)


def _write(canvas, text: str, x: float, y: float, *, end: bool = False, turned: bool = False) -> None:  # type: ignore[no-untyped-def]
    """Write upright text where y points down; what the letters have not is left out."""
    known = letters()
    plain = "".join(sign for sign in text if ord(sign) in known).strip(" :")
    canvas.saveState()
    canvas.translate(x, y)
    canvas.scale(1, -1)
    if turned:
        canvas.rotate(90)
    canvas.setFont(REGULAR, 2.8)
    (canvas.drawRightString if end else canvas.drawString)(0, 0, plain)
    canvas.restoreState()
