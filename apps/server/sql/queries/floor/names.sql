-- Jobs of a schedule with their last stations as they were reckoned. $1 ids of jobs, as JSON. Many.
SELECT j.id, j.number, l.body ->> 'title' AS title, l.body ->> 'due' AS due, coalesce(f.steps, '[]') AS steps
FROM jsonb_array_elements_text($1::jsonb) AS asked (id)
JOIN job j ON j.id = asked.id::integer
JOIN LATERAL (
  SELECT r.revision, r.body FROM revision r WHERE r.job_id = j.id AND r.state = 'released' ORDER BY r.revision DESC LIMIT 1
) l ON true
LEFT JOIN LATERAL (
  SELECT s.steps FROM floor_job s WHERE s.job_id = j.id AND s.revision = l.revision ORDER BY s.engine DESC LIMIT 1
) f ON true
