"""Keep: how long a mass keeps and which part decides (`keeping`), what must be declared (`allergens`), what the model
cannot know and what can hurt (`cautions`)."""
