"""Bench: what is told of one mass. `formula` computes it in one go: the sentence (`verdict`), the `readings` with their
`offers` and `why`, the `bowl`, the `ratio_rule`; and two of them side by side (`compare`)."""
