-- Releases a draft with the works it was planned with. $1 job, $2 revision, $3 version, $4 works, $5 account. None.
UPDATE revision SET state = 'released', version = $3, works = $4, released_by = $5, released_at = now() WHERE job_id = $1 AND revision = $2
