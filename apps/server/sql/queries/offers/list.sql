-- A page of the offers that hold all patterns, or one of them, newest first, and how many there are. $1 patterns as a JSON array, $2 offer or null, $3 skipped, $4 most. Many.
SELECT o.id, o.version, o.number, o.body, o.state, o.job_id AS job, a.name AS "madeBy", iso(o.made_at) AS "madeAt",
  count(*) OVER ()::integer AS total
FROM offer o JOIN account a ON a.id = o.made_by
WHERE ($2::integer IS NULL OR o.id = $2)
  AND lower(concat_ws(' ', o.number, o.body ->> 'title', o.body ->> 'customer', o.state)) LIKE ALL (ARRAY(SELECT jsonb_array_elements_text($1::jsonb)))
ORDER BY o.id DESC
OFFSET $3 LIMIT $4
