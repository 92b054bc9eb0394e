-- What a job has reserved of a key. $1 job, $2 key. One or none.
SELECT quantity FROM reservation WHERE job_id = $1 AND key = $2
