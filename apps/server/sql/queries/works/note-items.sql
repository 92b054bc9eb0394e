-- Notes what machines or stocks were and become, where that differs. $1 kind, $2 list of them as jsonb, $3 account. None.
INSERT INTO change_record (kind, subject, before, after, changed_by)
SELECT $1, one ->> 'id', was.body, one, $3
FROM jsonb_array_elements($2::jsonb) WITH ORDINALITY AS t (one, n)
LEFT JOIN works_item was ON was.kind = $1 AND was.id = one ->> 'id'
WHERE was.body IS DISTINCT FROM one
ORDER BY n
