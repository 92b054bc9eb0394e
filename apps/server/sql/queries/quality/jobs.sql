-- Jobs of which something happened since a time, the last first, and how many there are. $1 since, ISO 8601, $2 most. Many.
SELECT b.job_id AS id, j.number, r.body ->> 'title' AS title, count(*) OVER ()::integer AS total
FROM (SELECT job_id, max(id) AS last FROM book_entry WHERE happened_at > $1::timestamptz GROUP BY job_id) b
JOIN job j ON j.id = b.job_id
JOIN revision r ON r.job_id = j.id AND r.revision = j.revision
ORDER BY b.last DESC LIMIT $2
