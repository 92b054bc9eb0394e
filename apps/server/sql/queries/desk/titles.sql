-- Jobs by their numbers in the database, as they are called. $1 ids as a JSON array. Many.
SELECT j.id, j.number, r.body ->> 'title' AS title, r.body ->> 'customer' AS customer
FROM job j
JOIN revision r ON r.job_id = j.id AND r.revision = j.revision
WHERE j.id IN (SELECT jsonb_array_elements_text($1::jsonb)::integer)
