"""Files in and out: the recipe and vessel files of the contract."""
