"""Steps of batches that began before steps were kept with them: as they were then, and never changed again.

Only `freeze_old_batches` asks here, once, when such a kitchen is opened. What is made now has its acts in
`core/method/`.
"""
