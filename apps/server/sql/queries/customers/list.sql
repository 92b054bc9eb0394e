-- A page of the customers that hold all patterns, by name, and how many there are. $1 patterns as a JSON array, $2 skipped, $3 most. Many.
WITH found AS (
  SELECT * FROM customer
  WHERE lower(concat_ws(' ', name, body ->> 'reference', body ->> 'also', body ->> 'places')) LIKE ALL (ARRAY(SELECT jsonb_array_elements_text($1::jsonb)))
)
SELECT c.id, c.name, c.body ->> 'reference' AS reference, coalesce(jsonb_array_length(c.body -> 'places'), 0) AS places,
  c.body -> 'policy' AS policy, c.body ->> 'artwork' AS artwork, j.jobs, iso(j.last) AS "lastJob", coalesce((c.body ->> 'retired')::boolean, false) AS retired,
  (SELECT count(*)::integer FROM found) AS total
FROM (SELECT * FROM found ORDER BY coalesce((body ->> 'retired')::boolean, false), lower(name), id OFFSET $2 LIMIT $3) c
CROSS JOIN LATERAL (
  SELECT count(*)::integer AS jobs, max(job.changed_at) AS last FROM job
  WHERE job.customer IN (SELECT c.name UNION SELECT jsonb_array_elements_text(coalesce(c.body -> 'also', '[]')))
) j
ORDER BY retired, lower(c.name), c.id
