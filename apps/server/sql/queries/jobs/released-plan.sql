-- The plan that a revision was released with; none for drafts, and for what was released before plans were kept. $1 job, $2 revision. One.
SELECT plan FROM released_plan WHERE job_id = $1 AND revision = $2
