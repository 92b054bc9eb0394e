-- Newest revision of a job, locked against other writers. $1 job. One or none.
SELECT revision, state, version, body FROM revision WHERE job_id = $1 ORDER BY revision DESC LIMIT 1 FOR UPDATE
