-- New customers, in their order. $1 customers as a JSON array, $2 account. Many.
INSERT INTO customer (name, body, changed_by)
SELECT t.body ->> 'name', t.body, $2 FROM jsonb_array_elements($1::jsonb) WITH ORDINALITY AS t (body, place) ORDER BY t.place
RETURNING id
