-- Saves a draft. $1 job, $2 revision, $3 version, $4 body, $5 account. None.
UPDATE revision SET version = $3, body = $4, changed_by = $5, changed_at = now() WHERE job_id = $1 AND revision = $2
