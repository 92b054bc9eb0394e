-- A page of all jobs as it is answered, last changed first, and how many there are. $1 skipped, $2 most. One.
SELECT concat('[', string_agg(listed, ',' ORDER BY changed_at DESC, id DESC), ']') AS answer, (SELECT count FROM job_total) AS total
FROM (SELECT id, changed_at, listed FROM job ORDER BY changed_at DESC, id DESC OFFSET $1 LIMIT $2) page
