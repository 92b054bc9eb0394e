-- Jobs that were never released and are due by a day. $1 first day, $2 last. Many.
SELECT id AS job, due FROM job WHERE NOT aside AND state = 'draft' AND revision = 1 AND due BETWEEN $1::text AND $2::text ORDER BY due, id LIMIT 100
