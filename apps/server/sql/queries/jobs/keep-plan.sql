-- Keeps the plan that a revision is released with, deflated. $1 job, $2 revision, $3 plan. One.
INSERT INTO released_plan (job_id, revision, plan) VALUES ($1, $2, $3) RETURNING job_id AS id
