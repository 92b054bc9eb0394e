-- What became of the stations of all jobs that are through. Many.
SELECT o.job_id AS job, j.number, o.finished, o.steps FROM job_outcome o JOIN job j ON j.id = o.job_id ORDER BY o.job_id
