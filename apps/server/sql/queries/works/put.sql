-- Sets the works. $1 works as jsonb without norms and folds. None.
INSERT INTO works (body) VALUES ($1) ON CONFLICT (id) DO UPDATE SET body = excluded.body
