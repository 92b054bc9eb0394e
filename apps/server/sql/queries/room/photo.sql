-- A photograph that an entry of a job says. $1 job, $2 SHA-256. One or none.
SELECT p.data FROM book_photo p
WHERE p.sha256 = $2 AND EXISTS (
  SELECT 1 FROM book_entry e WHERE e.job_id = $1 AND ($2 = e.event ->> 'sha256' OR $2 = e.event #>> '{entry,sha256}')
)
