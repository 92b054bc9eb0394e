-- A page of all jobs, last changed first. $1 skipped, $2 most. Many.
SELECT j.id, j.number, j.revision, j.state, j.changed_at, a.name AS changed_by, j.title, j.customer, j.family, j.due, j.quantity
FROM job j JOIN account a ON a.id = j.changed_by
ORDER BY j.changed_at DESC, j.id DESC
OFFSET $1 LIMIT $2
