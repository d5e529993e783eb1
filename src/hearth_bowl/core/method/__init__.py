"""The method of what is made: its acts, worked out once from recipe, form, card, schools and kitchen.

`act.py` says what an act is, `rows.py` how a table of acts is written. Each family has its table in `families/`, each
way a mix ends in `endings/`; `method.py` joins them for a mix or a confection. To add a family: one row in
`families/__init__.py`.
"""
