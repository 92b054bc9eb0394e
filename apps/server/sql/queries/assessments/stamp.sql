-- What the assessment of a job's newest revision hangs on: the revision as it is written, when it was reckoned, and of a draft the works as it is written. $1 job. One or none.
SELECT concat_ws(' ', r.revision, r.version, r.state, a.version, a.xmin::text, CASE WHEN r.state = 'draft' THEN (SELECT w.xmin::text FROM works w) END) AS stamp
FROM revision r LEFT JOIN assessment a ON a.job_id = r.job_id AND a.revision = r.revision
WHERE r.job_id = $1 ORDER BY r.revision DESC LIMIT 1
