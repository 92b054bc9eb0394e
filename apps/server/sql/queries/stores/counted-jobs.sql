-- Jobs that something has been counted of: what ends each, and what each of its steps has counted. Many.
SELECT c.job_id AS id, a.body -> 'finish' AS finish, c.counts
FROM (SELECT job_id, jsonb_object_agg(step, good) AS counts FROM counted_steps() GROUP BY job_id) c
JOIN job j ON j.id = c.job_id
JOIN assessment a ON a.job_id = j.id AND a.revision = j.revision
