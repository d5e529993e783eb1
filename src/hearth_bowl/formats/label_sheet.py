"""Labels as they are printed: a sheet as PDF (A4 or Letter, round, square or strip by its measures), one as SVG.

True to size, black on white. The words are set as large as the label allows; what would be too small to read is refused
with the size that it needs: nothing is cut.
"""

import re
from base64 import b64encode
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from functools import cache
from io import BytesIO
from math import sqrt
from typing import Any, Final, Literal, get_args
from xml.sax.saxutils import escape

from hearth_bowl.core.errors import BadInput, check_number
from hearth_bowl.formats.confection_file import LabelAnswer
from hearth_bowl.formats.letters import BOLD, FONTS, PT_PER_MM, REGULAR, letters, paper_mm, width_mm

LARGEST_PT, SMALLEST_PT, STEP_PT = 11.0, 5.5, 0.25
"""Below this a small letter is lower than 1.1 mm: it cannot be read in a kitchen. A judgement near usual label
rules."""
TITLE: Final = 1.45
"""The name is set so much larger."""
LEADING: Final = 1.18
INSET_MM: Final = 2.0
STRIP_COLUMNS: Final = 3
COLUMN_GAP_MM: Final = 4.0
MOST_ROWS: Final = 40
MOST_LABELS: Final = 2000

Shape = Literal["square", "round", "strip"]
SHAPES: Final[tuple[str, ...]] = get_args(Shape)


@dataclass(frozen=True, slots=True, kw_only=True)
class Sheet:
    """A sheet of labels by its measures [mm]: rows and columns, the gaps between them, and where the first one
    begins."""

    page: Literal["a4", "letter"] = "a4"
    shape: Shape = "square"
    width_mm: float = 64.0
    height_mm: float = 90.0
    rows: int = 3
    columns: int = 3
    gap_x_mm: float = 3.0
    gap_y_mm: float = 3.0
    left_mm: float = 6.0
    top_mm: float = 10.0


@dataclass(frozen=True, slots=True)
class Run:
    """Some words in one kind of letter."""

    text: str
    bold: bool = False
    scale: float = 1.0


@dataclass(frozen=True, slots=True)
class _Placed:
    x_mm: float
    y_mm: float
    text: str
    bold: bool
    size_pt: float
    width_mm: float


USUAL_SHEETS: Final = (
    Sheet(),
    Sheet(shape="round", width_mm=80, height_mm=80, rows=3, columns=2, gap_x_mm=10, gap_y_mm=8, left_mm=20, top_mm=20),
    Sheet(shape="strip", width_mm=190, height_mm=38, rows=7, columns=1, gap_x_mm=0, gap_y_mm=2, left_mm=10, top_mm=8),
    Sheet(page="letter", width_mm=66, height_mm=82, rows=3, columns=3, gap_x_mm=3, gap_y_mm=3, left_mm=6, top_mm=13),
    Sheet(
        page="letter",
        shape="round",
        width_mm=80,
        height_mm=80,
        rows=3,
        columns=2,
        gap_x_mm=10,
        gap_y_mm=6,
        left_mm=23,
        top_mm=14,
    ),
    Sheet(
        page="letter",
        shape="strip",
        width_mm=195,
        height_mm=36,
        rows=7,
        columns=1,
        gap_x_mm=0,
        gap_y_mm=1,
        left_mm=10,
        top_mm=8,
    ),
)
"""What one begins from: measures that fill a page, of no maker's sheet."""


def usual_sheet(page: str, shape: str) -> Sheet:
    """Return the sheet that one begins from.

    :raises BadInput: at `page` or `shape`.
    """
    paper_mm(page)
    if shape not in SHAPES:
        raise BadInput(("shape",), f"unknown shape {shape[:40]!r}", "one of " + ", ".join(SHAPES), "unknown")
    return next(one for one in USUAL_SHEETS if (one.page, one.shape) == (page, shape))


def checked_sheet(sheet: Sheet) -> Sheet:
    """Return a sheet whose labels all lie on its page.

    :raises BadInput: naming the measure.
    """
    page_w, page_h = paper_mm(sheet.page)
    check_number(("width_mm",), sheet.width_mm, 12, page_w, "mm")
    check_number(("height_mm",), sheet.height_mm, 8, page_h, "mm")
    for name in ("gap_x_mm", "gap_y_mm", "left_mm", "top_mm"):
        check_number((name,), getattr(sheet, name), 0, 200, "mm")
    for name in ("rows", "columns"):
        if not 1 <= getattr(sheet, name) <= MOST_ROWS:
            raise BadInput((name,), f"{getattr(sheet, name)}", f"1 to {MOST_ROWS}", "out-of-range")
    if sheet.shape == "round" and abs(sheet.width_mm - sheet.height_mm) > 0.05:
        raise BadInput(("height_mm",), "is not as wide as high", f"{sheet.width_mm:g} mm: it is round", "out-of-range")
    wide = sheet.left_mm + sheet.columns * sheet.width_mm + (sheet.columns - 1) * sheet.gap_x_mm
    high = sheet.top_mm + sheet.rows * sheet.height_mm + (sheet.rows - 1) * sheet.gap_y_mm
    if wide > page_w + 0.05:
        raise BadInput(("columns",), f"{wide:.1f} mm wide together", f"up to the page's {page_w:g} mm", "out-of-range")
    if high > page_h + 0.05:
        raise BadInput(("rows",), f"{high:.1f} mm high together", f"up to the page's {page_h:g} mm", "out-of-range")
    return sheet


@dataclass(frozen=True, slots=True, kw_only=True)
class Besides:
    """What a label says besides: what it is, in a few words, its energy, and the cook's own line; empty: nothing."""

    what: str = ""
    energy: str = ""
    line: str = ""


def paragraphs(label: LabelAnswer, besides: Besides) -> list[list[Run]]:
    """Return what stands on a label, paragraph by paragraph; allergens set apart in bold."""
    found = [[Run(label["name"], bold=True, scale=TITLE)]]
    if besides.what:
        found.append([Run(besides.what)])
    runs = [Run("Ingredients: ")]
    for position, ingredient in enumerate(label["ingredients"]):
        runs.append(Run(ingredient["text"], bold=ingredient["allergen"]))
        runs.append(Run(", " if position + 1 < len(label["ingredients"]) else "."))
    found.append(runs)
    if label["may_contain"]:
        found.append([Run("May contain "), Run(", ".join(label["may_contain"]), bold=True), Run(".")])
    if label["contains_alcohol"] is not None:
        each = label["contains_alcohol"]["g_each"]
        found.append([Run("Contains alcohol", bold=True), Run(f", {each:.2f} g a piece.")])
    found += [[Run(caution)] for caution in label["cautions"] if not caution.startswith("Contains alcohol, ")]
    found.append([Run(label["keep"])])
    found.append(
        [
            Run(f"Made {label['made']}, {'use by' if label.get('use_by') else 'best before'} "),
            Run(label.get("use_by") or label["best_before"] or "", bold=True),
            Run(f". Net {_grams(label)}."),
        ]
    )
    found += [[Run(words)] for words in (besides.energy, besides.line) if words]
    found.append([Run(label["defer"], scale=0.9)])
    return found


def _grams(label: LabelAnswer) -> str:
    return f"{label['net_g']:.0f} g" if label["net_g"] >= 20 else f"{label['net_g']:.1f} g"


def labels_pdf(label: LabelAnswer, sheet: Sheet, count: int, besides: Besides) -> bytes:
    """Return so many labels on sheets as PDF.

    :raises BadInput: at a measure, `count`, or `width_mm` where the words do not fit a label of this size.
    """
    from reportlab.pdfgen.canvas import Canvas

    checked_sheet(sheet)
    if not 1 <= count <= MOST_LABELS:
        raise BadInput(("count",), f"{count}", f"1 to {MOST_LABELS}", "out-of-range")
    placed = _set(paragraphs(label, besides), sheet)
    page_w, page_h = paper_mm(sheet.page)
    out = BytesIO()
    canvas = Canvas(out, pagesize=(page_w * PT_PER_MM, page_h * PT_PER_MM), invariant=1)
    canvas.setTitle(f"Labels: {label['name']}")
    each = sheet.rows * sheet.columns
    for number in range(count):
        if number and number % each == 0:
            canvas.showPage()
        row, column = divmod(number % each, sheet.columns)
        x = sheet.left_mm + column * (sheet.width_mm + sheet.gap_x_mm)
        y = sheet.top_mm + row * (sheet.height_mm + sheet.gap_y_mm)
        _outline(canvas, sheet, x, page_h - y)
        for one in placed:
            canvas.setFont(BOLD if one.bold else REGULAR, one.size_pt)
            canvas.drawString((x + one.x_mm) * PT_PER_MM, (page_h - y - one.y_mm) * PT_PER_MM, one.text)
    canvas.showPage()
    canvas.save()
    return out.getvalue()


def _outline(canvas: Any, sheet: Sheet, x_mm: float, top_mm: float) -> None:
    """Draw a hair line where the label ends: to cut plain paper by, and to see that a sheet lies right."""
    canvas.setLineWidth(0.2)
    canvas.setStrokeGray(0.75)
    width, height = sheet.width_mm * PT_PER_MM, sheet.height_mm * PT_PER_MM
    x, y = x_mm * PT_PER_MM, top_mm * PT_PER_MM - height
    if sheet.shape == "round":
        canvas.circle(x + width / 2, y + height / 2, width / 2)
    else:
        canvas.rect(x, y, width, height)
    canvas.setFillGray(0)


def label_svg(label: LabelAnswer, sheet: Sheet, besides: Besides) -> str:
    """Return one label as SVG, as large as it is in millimetres.

    :raises BadInput: as `labels_pdf`.
    """
    checked_sheet(sheet)
    width, height = sheet.width_mm, sheet.height_mm
    if sheet.shape == "round":
        edge = f'<circle cx="{width / 2:.3f}" cy="{height / 2:.3f}" r="{width / 2:.3f}"'
    else:
        edge = f'<rect width="{width:.3f}" height="{height:.3f}"'
    rows = [
        f'<text x="{one.x_mm:.3f}" y="{one.y_mm:.3f}" font-size="{one.size_pt / PT_PER_MM:.3f}"'
        f'{" font-weight=" + chr(34) + "700" + chr(34) if one.bold else ""} textLength="{one.width_mm:.3f}"'
        f' xml:space="preserve">{escape(one.text)}</text>'
        for one in _set(paragraphs(label, besides), sheet)
    ]
    return "\n".join(
        [
            f'<svg xmlns="http://www.w3.org/2000/svg" width="{width:g}mm" height="{height:g}mm"'
            f' viewBox="0 0 {width:g} {height:g}" font-family="Atkinson Hyperlegible Next, sans-serif">',
            f"<title>{escape(label['name'])}</title>",
            f"<style>{_faces()}</style>",
            f'{edge} fill="#fff" stroke="#bbb" stroke-width=".07"/>',
            *rows,
            "</svg>",
        ]
    )


@cache
def _faces() -> str:
    """Return the letters within the drawing: it looks alike wherever it is opened."""
    found = []
    for name, weight in ((REGULAR, 400), (BOLD, 700)):
        letters = b64encode((FONTS / f"{name}.ttf").read_bytes()).decode()
        found.append(
            f"@font-face{{font-family:'Atkinson Hyperlegible Next';font-weight:{weight};"
            f"src:url(data:font/ttf;base64,{letters})}}"
        )
    return "".join(found)


def _set(texts: Sequence[Sequence[Run]], sheet: Sheet) -> list[_Placed]:
    """Return every word in its place, in the largest letters that the label takes.

    :raises BadInput: at `width_mm` where even the smallest do not fit, with a size that they do; at a sign that the
        letters have not.
    """
    _check_signs(texts)
    size = LARGEST_PT
    while size >= SMALLEST_PT:
        placed = _at(texts, sheet, size)
        if placed is not None:
            return placed
        size -= STEP_PT
    times = 1.05
    while times < 8:
        larger = Sheet(shape=sheet.shape, width_mm=sheet.width_mm * times, height_mm=sheet.height_mm * times)
        if _at(texts, larger, SMALLEST_PT) is not None:
            break
        times *= 1.05
    needed = f"{sheet.width_mm * times:.0f} by {sheet.height_mm * times:.0f} mm or more"
    raise BadInput(("width_mm",), "all that must stand on it would be too small to read", needed, "too-small")


def _at(texts: Sequence[Sequence[Run]], sheet: Sheet, size_pt: float) -> list[_Placed] | None:
    """Return the words placed in letters of a size, None where they do not fit.

    On a round label each line is as wide as the circle there, so the block is tried from several heights.
    """
    starts = [INSET_MM]
    if sheet.shape == "round":
        starts = [INSET_MM + half / 2 for half in range(int(2 * INSET_MM), int(sheet.height_mm))]
    return next((found for start in starts if (found := _lines(texts, sheet, size_pt, start)) is not None), None)


def _lines(texts: Sequence[Sequence[Run]], sheet: Sheet, size_pt: float, top_mm: float) -> list[_Placed] | None:
    """Return the words in lines from a height on, None where they do not fit; a strip is set in columns."""
    placed: list[_Placed] = []
    columns = STRIP_COLUMNS if sheet.shape == "strip" else 1
    column, y = 0, top_mm
    for runs in texts:
        words = list(_words(runs))
        while words:
            scale = words[0].scale
            height = size_pt * scale * LEADING / PT_PER_MM
            if y + height > sheet.height_mm - INSET_MM + 0.01:
                column, y = column + 1, top_mm
                if column == columns:
                    return None
            room, left = _room(sheet, y, y + height, column)
            taken = _taken(words, size_pt, room)
            if not taken:
                return None
            line = [*words[: taken - 1], _trimmed(words[taken - 1])]
            used = sum(_width_mm(word, size_pt) for word in line)
            x = left + ((room - used) / 2 if sheet.shape == "round" else 0.0)
            base = y + size_pt * scale * 0.94 / PT_PER_MM
            for word in _joined(line):
                wide = _width_mm(word, size_pt)
                placed.append(_Placed(x, base, word.text, word.bold, size_pt * word.scale, wide))
                x += wide
            words = words[taken:]
            y += height
        y += size_pt * 0.28 / PT_PER_MM
    return placed


def _taken(words: Sequence[Run], size_pt: float, room_mm: float) -> int:
    """Return how many words a line takes."""
    width = 0.0
    for taken, word in enumerate(words):
        if width + _width_mm(_trimmed(word), size_pt) > room_mm:
            return taken
        width += _width_mm(word, size_pt)
    return len(words)


def _room(sheet: Sheet, top_mm: float, end_mm: float, column: int) -> tuple[float, float]:
    """Return how wide a line may be between two heights, and where it begins [mm]."""
    if sheet.shape == "round":
        radius = sheet.width_mm / 2 - INSET_MM
        off = max(abs(top_mm - sheet.height_mm / 2), abs(end_mm - sheet.height_mm / 2))
        half = sqrt(max(0.0, radius**2 - off**2))
        return 2 * half, sheet.width_mm / 2 - half
    columns = STRIP_COLUMNS if sheet.shape == "strip" else 1
    room = (sheet.width_mm - 2 * INSET_MM - (columns - 1) * COLUMN_GAP_MM) / columns
    return room, INSET_MM + column * (room + COLUMN_GAP_MM)


def _words(runs: Iterable[Run]) -> Iterator[Run]:
    """Give the words of some runs, each with the space behind it; a figure stays with its unit."""
    for run in runs:
        parts = re.sub(r"(?<=\d) (?=%|g\b|kcal|°C)", "\u00a0", run.text).split(" ")
        for position, part in enumerate(parts):
            text = part + (" " if position + 1 < len(parts) else "")
            if text:
                yield Run(text, run.bold, run.scale)


def _trimmed(word: Run) -> Run:
    return Run(word.text.rstrip(" "), word.bold, word.scale)


def _joined(line: Sequence[Run]) -> Iterator[Run]:
    """Give a line's words of one kind together."""
    kept: Run | None = None
    for word in line:
        if kept is not None and (kept.bold, kept.scale) == (word.bold, word.scale):
            kept = Run(kept.text + word.text, kept.bold, kept.scale)
            continue
        if kept is not None:
            yield kept
        kept = word
    if kept is not None and kept.text:
        yield kept


def _width_mm(run: Run, size_pt: float) -> float:
    return width_mm(run.text, size_pt * run.scale, run.bold)


def _check_signs(texts: Sequence[Sequence[Run]]) -> None:
    known = letters()
    for runs in texts:
        for run in runs:
            missing = next((sign for sign in run.text if ord(sign) not in known), None)
            if missing is not None:
                message = f"the sign {missing!r} of {run.text[:40]!r} is not in the letters that labels are set in"
                raise BadInput(("name",), message, "Latin letters and figures", "not-allowed")
