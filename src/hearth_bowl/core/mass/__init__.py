"""Mass: the physics of what is in the bowl. `mixture` sums it up; from that come what dissolves (`solution`), its
`water_activity`, `solid_fat`, `set_index` and `split`; heat (`thermal`, `latent_heat`, `boiling`, `cooking`,
`sugar_stages`, `tempering`); `alcohol`, `ripening`; and the `kitchen` that it is made in."""
