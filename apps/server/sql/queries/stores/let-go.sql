-- Lets a reservation go. $1 job, $2 key. None.
DELETE FROM reservation WHERE job_id = $1 AND key = $2
