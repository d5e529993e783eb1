"""Cards: a recipe as people write it, read whole: what is made, of which parts, how many, how large, in what, and how.

Lines are read in `recipe/written`; here they become one confection. Every line of a card ends as something: a part's
line, a step, the form, a doubt, or left out with its reason.
"""
