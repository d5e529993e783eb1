"""What a use case may refuse beyond bad input."""


class NotFound(LookupError):  # noqa: N818 - it reads as what it is
    """There is no such row."""

    def __init__(self, what: str, which: int | str) -> None:
        named = f"number {which}" if isinstance(which, int) else f"{which[:60]!r}"
        super().__init__(f"There is no {what} {named}.")


class ChangedMeanwhile(RuntimeError):  # noqa: N818
    """A save was made from an older state than the one that is stored."""

    def __init__(self, revision: int) -> None:
        super().__init__(
            "It was changed in another window since you opened it. Nothing was overwritten: keep yours as a "
            "copy, or take the other."
        )
        self.revision = revision
