"""What do you see? From the signs that a cook sees, and what is known of the batch, to its cause and what to do.

`signs` says what can be seen and at which stages, `causes` what may have happened and how likely each is; `facts` is
what is known, `evidence` what it tells for and against, `questions` what decides most; `bowl` is the mass as it is
now, `doses` what mends it; `dosed` and
`handwork` are what is said of each cause, in `answers`' table; joined in `diagnosis`.
"""
