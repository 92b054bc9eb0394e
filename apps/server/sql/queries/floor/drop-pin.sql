-- Lets a station go. $1 job, $2 step. None.
DELETE FROM floor_pin WHERE job_id = $1 AND step = $2
