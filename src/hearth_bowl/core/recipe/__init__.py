"""Recipe: its lines and amounts (`recipe`, `measures`, `weighing`), families and ways of making it (`families`), the
ratios that cooks speak of (`ratios`), an amount as it is typed (`typed_amount`), a recipe as people write it
(`written`)."""
