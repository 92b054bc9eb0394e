-- Newest revision of every job with what it needs, what ends it and the last count of each of its steps, earliest due first. Many.
WITH counted AS (
  SELECT job_id, jsonb_object_agg(step, good) AS counts
  FROM (
    SELECT DISTINCT ON (job_id, event ->> 'step') job_id, event ->> 'step' AS step, event -> 'good' AS good
    FROM press_room_record WHERE event ->> 'kind' = 'count'
    ORDER BY job_id, event ->> 'step', id DESC
  ) last
  GROUP BY job_id
)
SELECT j.id, j.number, j.title, j.due, a.body -> 'needs' AS needs, a.body -> 'problems' AS problems,
  CASE WHEN c.job_id IS NOT NULL THEN a.body -> 'finish' END AS finish, c.counts
FROM job j
LEFT JOIN assessment a ON a.job_id = j.id AND a.revision = j.revision
LEFT JOIN counted c ON c.job_id = j.id
ORDER BY j.due NULLS LAST, j.id
