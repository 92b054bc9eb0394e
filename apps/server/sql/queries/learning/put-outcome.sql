-- Keeps what became of a job's stations, unless somebody has made it by later entries. $1 job, $2 last entry, $3 finished, $4 stations as jsonb. None.
INSERT INTO job_outcome (job_id, up_to, finished, steps) VALUES ($1, $2, $3, $4)
ON CONFLICT (job_id) DO UPDATE SET up_to = EXCLUDED.up_to, finished = EXCLUDED.finished, steps = EXCLUDED.steps
WHERE job_outcome.up_to < EXCLUDED.up_to
