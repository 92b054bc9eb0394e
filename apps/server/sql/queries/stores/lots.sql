-- A page of the lots on hand whose words hold all patterns, by paper, and how many there are. $1 patterns as a JSON array, $2 skipped, $3 most. One.
WITH stock AS MATERIALIZED (
  SELECT id, body ->> 'name' AS name FROM works_item WHERE kind = 'stock'
), found AS (
  SELECT h.id, h.key
  FROM holding h
  LEFT JOIN stock s ON s.id = h.paper ->> 'stock'
  WHERE h.quantity > 0
    AND lower(concat_ws(' ', coalesce(s.name, h.paper ->> 'stock', h.other ->> 'name'), CASE WHEN h.other IS NOT NULL THEN NULL WHEN h.paper ? 'heightMm'
      THEN concat(h.paper ->> 'widthMm', ' × ', h.paper ->> 'heightMm', ' mm grain along ', h.paper ->> ((h.paper ->> 'grain') || 'Mm'))
      ELSE concat('roll ', h.paper ->> 'widthMm', ' mm') END, h.place)) LIKE ALL (ARRAY(SELECT jsonb_array_elements_text($1::jsonb)))
), page AS (
  SELECT id FROM found ORDER BY key, id OFFSET $2::integer LIMIT $3::integer
)
SELECT (SELECT count(*)::integer FROM found) AS total,
  (SELECT coalesce(jsonb_agg(jsonb_build_object(
    'id', h.id, 'version', h.version, 'key', h.key, 'paper', h.paper, 'other', h.other, 'quantity', h.quantity, 'place', h.place,
    'changedBy', a.name, 'changedAt', to_char(h.changed_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"'),
    'ofKey', (SELECT sum(o.quantity) FROM holding o WHERE o.key = h.key AND o.quantity > 0),
    'reserved', coalesce((
      SELECT jsonb_agg(jsonb_build_object('job', j.id, 'number', j.number, 'title', j.title, 'quantity', r.quantity) ORDER BY j.number)
      FROM reservation r JOIN job j ON j.id = r.job_id WHERE r.key = h.key), '[]')
  ) ORDER BY h.key, h.id), '[]')
  FROM page p JOIN holding h ON h.id = p.id JOIN account a ON a.id = h.changed_by) AS lots
