-- Adds machines or stocks that are not there yet. $1 kind, $2 list of them as jsonb. None.
INSERT INTO works_item (kind, id, body)
SELECT $1, one ->> 'id', one FROM jsonb_array_elements($2::jsonb) WITH ORDINALITY AS t (one, n) ORDER BY n
ON CONFLICT (kind, id) DO NOTHING
