-- Pictures of the products of jobs, of their newest revisions, as they are kept. $1 ids as a JSON array. Many.
SELECT j.id AS job, a.body -> 'picture' AS picture
FROM job j JOIN assessment a ON a.job_id = j.id AND a.revision = j.revision
WHERE j.id IN (SELECT value::integer FROM jsonb_array_elements_text($1::jsonb)) AND a.body ? 'picture'
