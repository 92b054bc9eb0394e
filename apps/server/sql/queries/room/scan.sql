-- A job by its number, whatever its letters. $1 number. One or none.
SELECT j.id, j.number, r.body ->> 'title' AS title
FROM job j JOIN revision r ON r.job_id = j.id AND r.revision = j.revision
WHERE lower(j.number) = lower($1::text)
