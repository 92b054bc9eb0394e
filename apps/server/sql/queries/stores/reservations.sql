-- What jobs have reserved. Many.
SELECT r.job_id AS job, j.number, r.key, r.quantity, a.name AS by, v.body ->> 'title' AS title
FROM reservation r
JOIN job j ON j.id = r.job_id
JOIN account a ON a.id = r.reserved_by
JOIN LATERAL (SELECT body FROM revision WHERE job_id = j.id ORDER BY revision DESC LIMIT 1) v ON true
ORDER BY r.key, j.number
