"""Why: of each job in an order, why it stands where it stands, and how far it may slip while all others stay."""

from collections.abc import Mapping

from hearth_bowl.core.plan.answer import Order, Task, Why
from hearth_bowl.core.plan.days import spoken, starts_for
from hearth_bowl.core.plan.occasion import Occasion


def why_each(occasion: Occasion, order: Order) -> Mapping[str, Why]:
    """Return, by job, what holds it where it is."""
    by_id = {task.job.id: task for task in order.tasks}
    follow: dict[str, list[tuple[Task, int]]] = {}
    for task in order.tasks:
        for after in task.job.after:
            follow.setdefault(after.id, []).append((task, after.least_min))
    return {task.job.id: _why(occasion, order, task, by_id, follow.get(task.job.id, [])) for task in order.tasks}


def why_it_begins(order: Order, why: Mapping[str, Why]) -> str:
    """Return in one sentence why an order begins when it does."""
    first = order.tasks[0]
    title, reason = first.job.title, why[first.job.id]
    if reason.slack_min > 0:
        return f"It begins with “{title}”, which could wait {spoken(reason.slack_min)} at most."
    held = next((task.job.title for task in order.tasks if task.job.id == reason.held_by), None)
    if held is None:
        return f"It begins with “{title}”: started later, it would not be done in your hours."
    return f"It begins with “{title}”: started later, it would delay “{held}”."


def _why(
    occasion: Occasion, order: Order, task: Task, by_id: Mapping[str, Task], followed: list[tuple[Task, int]]
) -> Why:
    ready_min = occasion.ready_min
    holds = [(ready_min - task.end_min, "ready_at", "then all must be ready")]
    for other, least_min in followed:
        holds.append((other.start_min - least_min - task.end_min, other.job.id, f"then comes: {other.job.title}"))
    for after in task.job.after:
        before = by_id.get(after.id)
        if before is not None and after.most_min is not None:
            left = before.end_min + after.most_min - task.start_min
            holds.append((left, before.job.id, f"it must follow soon on: {before.job.title}"))
    if task.cook is not None:
        later = [
            one for one in order.tasks if one.cook == task.cook and one.start_min >= task.end_min and one is not task
        ]
        if later:
            then = later[0]
            holds.append((then.start_min - task.end_min, then.job.id, f"the same hands then: {then.job.title}"))
        holds.append((_until_hands_go(occasion, task), "hours", "then nobody is in the kitchen"))
    slack_min, held_by, says = min((row for row in holds), key=lambda row: row[0])
    return Why(slack_min=max(0, slack_min), held_by=held_by, says=says)


def _until_hands_go(occasion: Occasion, task: Task) -> int:
    """Return how much later a job may begin before its cook's hours end or the cook goes away."""
    minutes = task.end_min - task.start_min
    spans = starts_for(minutes, occasion.hours, occasion.away, occasion.now_min, occasion.ready_min)
    last = next((high for low, high in spans if low <= task.start_min <= high), task.start_min)
    for gone in occasion.away:
        if gone.cook == task.cook and gone.from_min >= task.end_min:
            last = min(last, gone.from_min - minutes)
    return last - task.start_min
