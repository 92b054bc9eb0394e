-- Keeps what a revision comes to. $1 job, $2 revision, $3 version, $4 basis, $5 body. None.
INSERT INTO assessment (job_id, revision, version, basis, body) VALUES ($1, $2, $3, $4, $5)
ON CONFLICT ON CONSTRAINT assessment_pk DO UPDATE SET version = excluded.version, basis = excluded.basis, body = excluded.body
WHERE assessment.version <= excluded.version
