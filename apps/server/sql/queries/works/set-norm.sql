-- Sets a norm. $1 norm, $2 value. None.
INSERT INTO norm (id, value) VALUES ($1, $2) ON CONFLICT (id) DO UPDATE SET value = excluded.value
