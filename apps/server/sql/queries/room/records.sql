-- Entries of a job's book behind one of them, oldest first. $1 job, $2 the last that is known, 0 for all. Many.
SELECT e.id, e.uid, e.event, iso(e.happened_at) AS happened, iso(e.entered_at) AS entered, e.device, a.name AS by
FROM book_entry e JOIN account a ON a.id = e.entered_by
WHERE e.job_id = $1 AND e.id > $2::integer ORDER BY e.id
