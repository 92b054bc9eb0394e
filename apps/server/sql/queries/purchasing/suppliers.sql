-- A page of the suppliers that hold all patterns, or one of them, by name, and how many there are. $1 patterns as a JSON array, $2 id or null, $3 skipped, $4 most. Many.
WITH found AS (
  SELECT * FROM supplier
  WHERE ($2::integer IS NULL OR id = $2)
    AND lower(concat_ws(' ', name, body ->> 'reference', body ->> 'address', body ->> 'note')) LIKE ALL (ARRAY(SELECT jsonb_array_elements_text($1::jsonb)))
)
SELECT f.id, f.version, f.body AS supplier, a.name AS "changedBy", iso(f.changed_at) AS "changedAt",
  (SELECT count(*)::integer FROM found) AS total
FROM found f JOIN account a ON a.id = f.changed_by
ORDER BY coalesce((f.body ->> 'retired')::boolean, false), lower(f.name), f.id
OFFSET $3 LIMIT $4
