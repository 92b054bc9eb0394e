-- Jobs that something has been counted of: what ends each, and the last count of each of its steps that stands. Many.
SELECT c.job_id AS id, a.body -> 'finish' AS finish, c.counts
FROM (
  SELECT job_id, jsonb_object_agg(step, good) AS counts
  FROM (
    SELECT DISTINCT ON (job_id, event ->> 'step') job_id, event ->> 'step' AS step, event -> 'good' AS good
    FROM standing_records() WHERE event ->> 'kind' = 'count'
    ORDER BY job_id, event ->> 'step', id DESC
  ) last
  GROUP BY job_id
) c
JOIN job j ON j.id = c.job_id
JOIN assessment a ON a.job_id = j.id AND a.revision = j.revision
