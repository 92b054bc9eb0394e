-- The job that has recorded something of a carrier last. $1 key. One or none.
SELECT j.number, a.name AS entered_by
FROM book_entry r JOIN job j ON j.id = r.job_id JOIN account a ON a.id = r.entered_by
WHERE r.carrier_key = $1
ORDER BY r.id DESC LIMIT 1
