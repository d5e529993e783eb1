"""The door for browsers and scripts: one module a resource, problems in one shape."""
