"""Who may do what: this machine and a cook's device all but a little, a helper sees and ticks, a thermometer tells.

To a helper what is not named here is refused: a new endpoint that takes a body changes something until it is said that
it does not.
"""

from typing import Final

from hearth_bowl.service.pairing import Device, Role

SAFE_METHODS: Final = frozenset({"GET", "HEAD", "OPTIONS"})
HERE_ONLY: Final = frozenset({"data.restore", "data.forget_automatic", "pairing.open_house", "pairing.close_house"})
"""What is done at the machine itself: it would shut its own door, or put another kitchen in this one's place."""
WORKS_OUT: Final = frozenset(
    {
        "recipes.find_recipes",
        "recipes.read_recipe",
        "recipes.other_readings",
        "confections.find_what_is_made",
        "confections.look_at_confection",
        "confections.method_of_confection",
        "confections.work_out_confection",
        "confections.label_confection",
        "confections.another_confection",
        "confections.share_tin",
        "confections.near_confections",
        "confections.other_vessels",
        "fit.fit_recipe",
        "formula.compute_formula",
        "formula.assess_recipe",
        "formula.method_of_recipe",
        "ingredients.near_ingredients",
        "moves.balance_recipe",
        "moves.swap_ingredient",
        "moves.only_this_much",
        "moves.cook_recipe",
        "moves.compare_recipes",
        "moves.read_label",
        "occasions.work_out_occasion",
        "running_order.what_if",
        "running_order.served",
        "seen.diagnose",
        "setting.set_clock",
        "setting.beside",
        "setting.temper_chocolate",
        "batches.plan_batch",
        "batches.follow_weighed",
        "batches.follow_spill",
        "batches.weigh_pan",
        "batches.next_burst",
        "sharing.look_at_shared",
    }
)
"""What is asked with a body and stores nothing."""
TICKS: Final = frozenset(
    {
        "batches.add_events",
        "timers.start_timer",
        "timers.change_timer",
        "probes.add_readings",
        "running_order.plan_order",
        "running_order.task_happened",
        "shelf.move_making",
    }
)
"""What a helper does: gates, marks and readings of a run, clocks, the running order, what was eaten."""
NOT_FOR_HELPERS: Final = frozenset(
    {"data.backup", "data.backup_made", "data.automatic", "data.everything", "data.tell_data", "pairing.tell_pairing"}
)
"""What is read, but is all of the kitchen at once, or who is let in."""
TELLS: Final = frozenset({"probes.add_readings", "probes.add_weights", "probes.play_stand_in"})
"""What a gateway of thermometers or scales sends and asks."""


def may(device: Device | None, endpoint: str, method: str) -> bool:
    """Return whether a device may do what an endpoint does; None: it is this machine itself."""
    if device is None:
        return True
    if endpoint in HERE_ONLY:
        return False
    if device.role == "thermometer":
        return endpoint in TELLS
    if device.role == "helper":
        return endpoint not in NOT_FOR_HELPERS if method in SAFE_METHODS else endpoint in WORKS_OUT | TICKS
    return True


def refusal(role: Role) -> str:
    """Return why a device of a role may not do something, in a sentence."""
    if role == "cook":
        return "This is done at the machine that Hearth Bowl runs on."
    if role == "helper":
        return "This device can view and tick off, not edit. Change recipes and stock on a cook's device."
    return "This key is for readings and weights alone."
