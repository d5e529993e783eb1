"""Shopping: packs to buy for what is needed, what the larder has, what is left over, and what it all costs."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from math import ceil, inf
from types import MappingProxyType
from typing import Final

from hearth_bowl.core.geometry.numbers import FLOOR_GUARD

CHEAPEST_STEPS: Final = 2000
"""How finely the needed grams are divided when packs of several sizes are weighed against each other.
Numerical, by definition."""
UNCOUNTED_G: Final = 0.05  # a judgement

NOTHING: Final[Mapping[str, str | None]] = MappingProxyType({})


@dataclass(frozen=True, slots=True, kw_only=True)
class PackFor:
    """A pack as it is sold: grams, and its price where it is known."""

    pack_g: float
    price: float | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Stock:
    """What the larder says of an ingredient."""

    in_house_g: float | None = None
    packs: tuple[PackFor, ...] = ()

    @property
    def price_per_g(self) -> float | None:
        """Return what 1 g costs: by the usual pack, the first, else by the cheapest that has a price; None without."""
        prices = [(pack, pack.price / pack.pack_g) for pack in self.packs if pack.price is not None]
        if not prices:
            return None
        return prices[0][1] if prices[0][0] is self.packs[0] else min(price for _, price in prices)


def prices_of(stock: Mapping[str, Stock]) -> dict[str, float]:
    """Return what 1 g costs, by label, of all that has a price."""
    return {label: there.price_per_g for label, there in stock.items() if there.price_per_g is not None}


@dataclass(frozen=True, slots=True, kw_only=True)
class Buy:
    """So many packs of one size."""

    pack_g: float
    count: int
    price: float | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Choice:
    """Packs of one size alone that would do: how many, what they cost where that is known, and what is left [g]."""

    pack_g: float
    count: int
    cost: float | None
    left_g: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Item:
    """One ingredient: needed = from the house + bought - left over; `buy_g` where no pack is known.

    `left_share` is how much of what is needed is left again. `choices` are its pack sizes beside each other, where
    there are several; `spoons` about how many spoons or cups are needed.
    """

    label: str
    name: str
    needed_g: float
    in_house_g: float | None
    buy: tuple[Buy, ...]
    buy_g: float
    left_g: float
    left_share: float
    cost: float | None
    choices: tuple[Choice, ...] = ()
    spoons: str | None = None

    @property
    def bought_g(self) -> float:
        """Return the grams that are bought."""
        return sum(pack.count * pack.pack_g for pack in self.buy) if self.buy else self.buy_g


@dataclass(frozen=True, slots=True, kw_only=True)
class ShoppingList:
    """All that is needed; `cost` is of what is bought, at least so much where `unpriced` is not empty."""

    items: tuple[Item, ...]
    cost: float
    used_cost: float
    unpriced: tuple[str, ...]


def shop(
    needs_g: Mapping[str, float],
    names: Mapping[str, str],
    stock: Mapping[str, Stock],
    spoons: Mapping[str, str | None] = NOTHING,
) -> ShoppingList:
    """Return what to buy for what is needed, by ingredient label.

    Of several pack sizes the set that costs least is taken, then the one that leaves least; without prices the one
    that leaves least.
    """
    items = []
    used = 0.0
    unpriced = []
    for label, needed_g in needs_g.items():
        there = stock.get(label, Stock())
        short_g = max(0.0, needed_g - (there.in_house_g or 0.0))
        short_g = 0.0 if short_g < UNCOUNTED_G else short_g
        buy = cheapest_packs(short_g, there.packs) if short_g else ()
        bought_g = sum(pack.count * pack.pack_g for pack in buy) if buy else short_g
        priced = [pack.price / pack.pack_g for pack in there.packs if pack.price is not None]
        if priced:
            used += needed_g * min(priced)
        else:
            unpriced.append(names.get(label, label))
        costs = [pack.price * pack.count for pack in buy if pack.price is not None]
        left_g = max(0.0, (there.in_house_g or 0.0) + bought_g - needed_g)
        items.append(
            Item(
                label=label,
                name=names.get(label, label),
                needed_g=needed_g,
                in_house_g=there.in_house_g,
                buy=buy,
                buy_g=short_g,
                left_g=left_g,
                left_share=left_g / needed_g if needed_g else 0.0,
                cost=0.0 if not short_g else sum(costs) if buy and len(costs) == len(buy) else None,
                choices=_choices(short_g, there) if short_g and len(there.packs) > 1 else (),
                spoons=spoons.get(label),
            )
        )
    cost = sum(item.cost for item in items if item.cost is not None)
    return ShoppingList(items=tuple(items), cost=cost, used_cost=used, unpriced=tuple(unpriced))


def _choices(short_g: float, there: Stock) -> tuple[Choice, ...]:
    """Return each pack size by itself, the smallest first."""
    found = []
    for pack in sorted(there.packs, key=lambda pack: pack.pack_g):
        count = _packs_for(short_g, pack.pack_g)
        cost = None if pack.price is None else count * pack.price
        found.append(Choice(pack_g=pack.pack_g, count=count, cost=cost, left_g=count * pack.pack_g - short_g))
    return tuple(found)


def _packs_for(grams: float, pack_g: float) -> int:
    return ceil(grams / pack_g - FLOOR_GUARD)


def cheapest_packs(needed_g: float, packs: Sequence[PackFor]) -> tuple[Buy, ...]:
    """Return the packs that hold at least `needed_g`: cheapest, then least left over; few sizes, exact to 0.05 %."""
    if not packs:
        return ()
    if len(packs) == 1:
        (pack,) = packs
        return (Buy(pack_g=pack.pack_g, count=_packs_for(needed_g, pack.pack_g), price=pack.price),)
    unit = needed_g / CHEAPEST_STEPS
    all_priced = all(pack.price is not None for pack in packs)
    worth = [(pack.price or 0.0) if all_priced else pack.pack_g for pack in packs]
    best: list[tuple[float, float]] = [(0.0, 0.0)] + [(inf, inf)] * CHEAPEST_STEPS
    chosen = [-1] * (CHEAPEST_STEPS + 1)
    for step in range(1, CHEAPEST_STEPS + 1):
        for position, pack in enumerate(packs):
            before = best[max(0, step - int(pack.pack_g / unit + FLOOR_GUARD))]
            there = (before[0] + worth[position], before[1] + pack.pack_g)
            if pack.pack_g >= unit and there < best[step]:
                best[step], chosen[step] = there, position
    counts = [0] * len(packs)
    step = CHEAPEST_STEPS
    while step > 0:
        counts[chosen[step]] += 1
        step -= int(packs[chosen[step]].pack_g / unit + FLOOR_GUARD)
    return tuple(
        Buy(pack_g=pack.pack_g, count=count, price=pack.price)
        for pack, count in zip(packs, counts, strict=True)
        if count
    )
