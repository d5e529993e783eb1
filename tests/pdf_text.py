"""What a PDF of ours says, read without a library: the words of its pages, by the letters that are embedded in it."""

import base64
import re
import zlib

STREAM = re.compile(rb"<<([^<>]*(?:<<[^<>]*>>[^<>]*)*)>>\s*stream\r?\n(.*?)endstream", re.DOTALL)


def streams(pdf: bytes) -> list[bytes]:
    """Return every stream of a PDF, unpacked."""
    found = []
    for head, body in STREAM.findall(pdf):
        data = body.strip()
        if b"ASCII85Decode" in head:
            data = base64.a85decode(data.removesuffix(b"~>"))
        if b"FlateDecode" in head:
            data = zlib.decompress(data)
        found.append(data)
    return found


def drawn_pages(pdf: bytes) -> list[str]:
    """Return what is drawn on each page, as commands."""
    texts = [data.decode("latin-1") for data in streams(pdf)]
    return [text for text in texts if " Tf " in text]


def page_count(pdf: bytes) -> int:
    """Return how many pages a PDF has."""
    return len(re.findall(rb"/Type /Page\b(?!s)", pdf))
