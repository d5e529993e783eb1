"""All that knows SQL: the engine, the rows, the migrations."""
