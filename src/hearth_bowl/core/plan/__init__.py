"""Plan: what to do, when, so that all of it is ready. `job` is one thing to do; `hands` how long hands take and
`masses`, `forms`, `shared` what a mass, a form and several confections together ask for; `jobs` joins them into an
occasion's jobs. `occasion` says what is wished; `days` counts its minutes; `model`, `order` and `refuse` find the
order, or say why there is none; `why` says of each job why it stands where it stands."""
