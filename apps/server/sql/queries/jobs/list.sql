-- A page of the jobs that hold all patterns, last changed first. $1 patterns as a JSON array, $2 skipped, $3 most. Many.
SELECT j.id, j.number, j.revision, j.state, j.changed_at, a.name AS changed_by, j.title, j.customer, j.family, j.due, j.quantity
FROM job j JOIN account a ON a.id = j.changed_by
WHERE j.words LIKE ALL (ARRAY(SELECT jsonb_array_elements_text($1::jsonb)))
ORDER BY j.changed_at DESC, j.id DESC
OFFSET $2 LIMIT $3
