-- Sets a role. $1 id, $2 name, $3 rights as jsonb. None.
INSERT INTO role (id, name, rights) VALUES ($1, $2, $3) ON CONFLICT (id) DO UPDATE SET name = excluded.name, rights = excluded.rights
