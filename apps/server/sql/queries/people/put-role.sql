-- Sets a role. $1 id, $2 name, $3 rights as jsonb, $4 stations as jsonb, as they were where it is null. None.
INSERT INTO role (id, name, rights, stations) VALUES ($1, $2, $3, coalesce($4::jsonb, '"all"'::jsonb))
ON CONFLICT (id) DO UPDATE SET name = excluded.name, rights = excluded.rights, stations = coalesce($4::jsonb, role.stations)
