"""The confection: what is made to be eaten, a form with its parts, worked out in one go and closed to the gram.

`confection` says what it is; `stuff` what a part is made of; by form: `cavities`, `slab`, `balls`, `cake`, and what
goes round or on any of them: `outside`. `work_out` joins all of it; `declared`, `keeping`, `cautions` and `label` say
what follows for the one who eats, keeps and labels it.
"""
