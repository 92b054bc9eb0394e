-- All that a job has reserved. $1 job. Many.
SELECT key, quantity FROM reservation WHERE job_id = $1 ORDER BY key
