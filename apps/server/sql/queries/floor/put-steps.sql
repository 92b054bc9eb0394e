-- Keeps the stations of a revision as an engine reckoned them. $1 job, $2 revision, $3 engine, $4 stations. None.
INSERT INTO floor_job (job_id, revision, engine, steps) VALUES ($1, $2, $3, $4)
ON CONFLICT (job_id, revision) DO UPDATE SET engine = excluded.engine, steps = excluded.steps
