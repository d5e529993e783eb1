"""Solve: what moves amounts. `balance` to aims (`aims`, `bounds`, `problem`), `slide` a ratio, `swap` an ingredient,
`only_this_much` of one, `two_layers` from one tin, our own proportions (`starters`), and the composition behind a
`wrapper`'s figures."""
