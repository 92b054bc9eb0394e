-- Carriers whose last standing record keeps them in the store. $1 keys as a JSON array, or null for all; $2 names of whose jobs they are of, likewise. Many.
SELECT last.carrier_key AS key, last.job_id, job.number AS job, last.title, last.carrier,
  last.event ->> 'place' AS place, last.entered_at
FROM (
  SELECT DISTINCT ON (r.carrier_key) r.*, newest.body ->> 'title' AS title
  FROM standing_entries() r
  JOIN LATERAL (
    SELECT body FROM revision WHERE revision.job_id = r.job_id ORDER BY revision.revision DESC LIMIT 1
  ) newest ON true
  WHERE r.carrier_key IS NOT NULL
    AND ($1::jsonb IS NULL OR r.carrier_key IN (SELECT jsonb_array_elements_text($1::jsonb)))
  ORDER BY r.carrier_key, r.id DESC
) last
JOIN job ON job.id = last.job_id
WHERE last.event ->> 'state' = 'kept'
  AND ($2::jsonb IS NULL OR job.customer IN (SELECT jsonb_array_elements_text($2::jsonb)))
ORDER BY last.entered_at DESC
