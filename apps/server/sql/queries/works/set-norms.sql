-- Sets norms. $1 list of id and value as jsonb. None.
INSERT INTO norm (id, value) SELECT id, value FROM jsonb_to_recordset($1::jsonb) AS t (id text, value double precision)
ON CONFLICT (id) DO UPDATE SET value = excluded.value
