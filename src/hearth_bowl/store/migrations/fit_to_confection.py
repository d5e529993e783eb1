"""What the fit of one recipe in a vessel was, as a confection's document of revision 0007."""

from typing import Any

DARK = "dark60"
FORM = {
    "pan": ("pieces", "spares", "piece_mm", "trim_mm", "kerf_mm"),
    "mould": ("pieces", "spares", "halves", "colours"),
    "cup": ("pieces", "spares"),
    "scoop": ("pieces", "spares"),
    "pieces": ("pieces", "spares"),
    "cake": (),
}
ROLLED = {
    "cocoa": "cocoa_powder_21", "icing-sugar": "sugar_icing", "nuts": "hazelnut_whole",
    "coconut": "coconut_desiccated", "flakes": "dark60",
}  # fmt: skip


def _inside(
    kind: str, ask: dict[str, Any], fit: dict[str, Any], recipe_id: int, vessel: dict[str, Any]
) -> list[dict[str, Any]]:
    """Return the parts within: layers, fillings or a centre, of this recipe or of those that were laid.

    A core was part of a weighed piece; from now on it comes on top of the centre.
    """
    role = {"pan": "layer", "mould": "filling", "cup": "filling"}.get(kind, "centre")
    laid = fit.get("layers", []) if kind == "pan" else fit.get("fillings", []) if role == "filling" else []
    if not laid:
        one: dict[str, Any] = {"role": role, "of": {"recipe_id": recipe_id}}
        if ask.get("mass_g") is not None:
            one["mass_g"] = ask["mass_g"]
        elif kind == "pan" and ask.get("thickness_mm") is not None:
            one["mm"] = ask["thickness_mm"]
        elif kind == "pieces" and ask.get("core_g"):
            one["g_each"] = vessel["piece_g"] - ask["core_g"]
        if ask.get("overrun_pct"):
            one["overrun_pct"] = ask["overrun_pct"]
        return [one]
    found = []
    for part in laid:
        amount = part["amount"]
        row: dict[str, Any] = {"role": role, "of": {"recipe_id": part["recipe_id"]}}
        for old, new in (("thickness_mm", "mm"), ("mass_g", "mass_g"), ("mm", "mm"), ("share_pct", "share_pct")):
            if amount.get(old) is not None:
                row[new] = amount[old]
        if amount.get("ml") is not None:
            row["ml_each"] = amount["ml"] * (2 if ask.get("halves") else 1)
        row |= {name: amount[name] for name in ("lumps", "on_top", "overrun_pct") if amount.get(name)}
        found.append(row)
    return found


def confection_document(
    fit: dict[str, Any], kind: str, vessel_id: int, recipe_id: int, vessel: dict[str, Any]
) -> dict[str, Any]:
    """Return the document: the vessel as the form, with what was asked of it, and the parts."""
    ask = fit.get("ask") or {}
    form = {"vessel": vessel_id, **{name: ask[name] for name in FORM[kind] if ask.get(name) is not None}}
    if form.get("spares") and form.get("pieces") is None:
        form.pop("spares")
    form |= {name: ask[name] for name in ("loss_pct", "loss_g") if ask.get(name) is not None}
    inside = _inside(kind, ask, fit, recipe_id, vessel)
    parts = []
    shell = ask.get("shell", DARK if kind == "mould" else "none")
    if kind in ("mould", "cup") and shell != "none":
        walls = {name: ask[name] for name in ("wall_mm", "cap_mm", "headroom_mm") if ask.get(name) is not None}
        parts.append({"role": "shell", "of": {"ingredient": shell}, **walls})
    elif kind in ("mould", "cup") and ask.get("headroom_mm"):
        inside[0]["headroom_mm"] = ask["headroom_mm"]
    parts += inside
    if ask.get("core_g"):
        parts.append({"role": "core", "of": {"ingredient": "hazelnut_whole"}, "g_each": ask["core_g"]})
    if kind in ("pan", "scoop", "pieces") and shell != "none":
        coat = {"role": "coat", "of": {"ingredient": shell}, "mm": ask.get("coat_mm", 1.2)}
        coat |= {name: ask[name] for name in ("coated", "dip_bowl_mm") if ask.get(name) is not None}
        parts.append(coat)
    if ask.get("rolling") in ROLLED:
        parts.append({"role": "rolling", "of": {"ingredient": ROLLED[ask["rolling"]]}})
    return {"form": form, "parts": parts, "extras": []}
