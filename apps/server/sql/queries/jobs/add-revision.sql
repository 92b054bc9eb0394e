-- Opens a draft. $1 job, $2 revision, $3 version, $4 body, $5 account. None.
INSERT INTO revision (job_id, revision, version, body, changed_by) VALUES ($1, $2, $3, $4, $5)
