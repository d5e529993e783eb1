"""The words of kitchens: what ingredients are called in English (`english`) and in five other languages (`foreign`), and
words beside them that change nothing (`beside`)."""
