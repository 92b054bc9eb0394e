-- Sets the works unless there is one. $1 works as jsonb without norms. None.
INSERT INTO works (body) VALUES ($1) ON CONFLICT (id) DO NOTHING
