-- Lets all that a job has reserved go. $1 job. None.
DELETE FROM reservation WHERE job_id = $1
