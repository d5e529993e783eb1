"""Boxes: several kinds of piece together: what they take (`assortment`), in which order chocolate is poured (`pours`),
what to buy (`shopping`); how they stand at the table
(`table`), and who may eat them (`guests`)."""
