-- What jobs are called, for whom and by when. $1 ids as jsonb. Many.
SELECT j.id, j.number, r.body ->> 'title' AS title, r.body ->> 'customer' AS customer, j.due
FROM job j JOIN revision r ON r.job_id = j.id AND r.revision = j.revision
WHERE j.id IN (SELECT jsonb_array_elements_text($1::jsonb)::integer)
