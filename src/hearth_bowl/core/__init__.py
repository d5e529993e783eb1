"""The job's rules and computation: pure functions and values, no interface, web or database code.

Rooms on floors; a room imports only rooms below its own (held by import-linter):

8  `bench` what is told of one mass; `boxes` several confections together; `stove` the run
6  `fit` a mass in a vessel; `cooling` until it is cool and set; `solve` what moves amounts
5  `assess` all that is said of one mass in numbers
4  `keep` how long it keeps, what is declared, what can hurt
3  `mass` the physics of a mixture
2  `recipe` a recipe as data and as people write it
1  `ingredients` what things are made of; `geometry` lengths and volumes
0  `errors`, `sources`

Floors 9 (`plan`, `learn`, `diagnose`) and 7 (`confection`) are kept free for what comes.
"""
