"""An ending: what happens to a finished mix, by the form that it goes into."""

from dataclasses import dataclass

from hearth_bowl.core.method.rows import Row


@dataclass(frozen=True, slots=True, kw_only=True)
class Ending:
    """How a family's mixes end. Rows in their order; a form takes those that it needs.

    `pan`: into a pan or tin; `pan_sets`: until it can be cut; `cut` and what follows at once. `shell`: from the bowl
    into shells or cups, `shell_sets` until they can be closed. `bowl`: rested in its bowl until it can be shaped;
    `shape`: into pieces by hand; `after`: what finished pieces need at once. `spread`: onto a cake.
    """

    pan: tuple[Row, ...]
    pan_sets: tuple[Row, ...]
    cut: tuple[Row, ...]
    shell: tuple[Row, ...]
    shell_sets: tuple[Row, ...]
    bowl: tuple[Row, ...]
    shape: tuple[Row, ...]
    after: tuple[Row, ...] = ()
    spread: tuple[Row, ...] = ()
    is_poured: bool = False
    """Whether a mix with no form of its own goes into a pan, not a bowl."""
    stays_cold: bool = False
    """Whether finished pieces rest in the fridge, since germs grow in the mix when it is warm."""
    is_used_at_once: bool = False
    """Whether the mix is made again for each filling of a mould, since it does not wait."""
