-- The same by a column. $1 patterns as a JSON array, $2 skipped, $3 most, $4 column, $5 whether the largest comes first. Many.
SELECT j.id, j.number, j.revision, j.state, j.changed_at, a.name AS changed_by, j.title, j.customer, j.family, j.due, j.quantity
FROM job j
JOIN account a ON a.id = j.changed_by
CROSS JOIN LATERAL (SELECT
  CASE $4::text WHEN 'quantity' THEN j.quantity WHEN 'changedAt' THEN extract(epoch FROM j.changed_at) END AS measure,
  CASE $4::text WHEN 'number' THEN j.number WHEN 'title' THEN j.title WHEN 'customer' THEN j.customer WHEN 'due' THEN j.due
    WHEN 'status' THEN j.state END AS word
) k
WHERE j.words LIKE ALL (ARRAY(SELECT jsonb_array_elements_text($1::jsonb)))
ORDER BY
  CASE WHEN NOT $5::boolean THEN k.measure END,
  CASE WHEN $5::boolean THEN k.measure END DESC NULLS LAST,
  CASE WHEN NOT $5::boolean THEN k.word END,
  CASE WHEN $5::boolean THEN k.word END DESC NULLS LAST,
  j.id DESC
OFFSET $2 LIMIT $3
