-- A job, locked against other records. $1 job. One or none.
SELECT id, number FROM job WHERE id = $1 FOR UPDATE
