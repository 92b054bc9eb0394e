-- A job, locked against other records. $1 job. One or none.
SELECT id, number, aside FROM job WHERE id = $1 FOR UPDATE
