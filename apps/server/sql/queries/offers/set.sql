-- What became of an offer. $1 id, $2 state, $3 job or null. None.
UPDATE offer SET state = $2, job_id = $3, version = version + 1 WHERE id = $1
