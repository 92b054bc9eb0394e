-- What a station has to know of a job. $1 job. One or none.
SELECT j.id, j.number, r.body ->> 'title' AS title, r.body ->> 'customer' AS customer, j.due, j.revision, j.quantity::double precision AS quantity
FROM job j JOIN revision r ON r.job_id = j.id AND r.revision = j.revision WHERE j.id = $1
