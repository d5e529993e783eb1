"""What a kitchen's log teaches: by how much it differs from the book, place by place and tool by tool.

`quantities` says what can be learned, with the handbook's band of each; `corrections` learns it.
"""
