-- Newest revision of every job with the last count of each of its steps, earliest due first. Many.
SELECT j.id, j.number, r.revision, r.body AS job, r.works,
  (SELECT coalesce(jsonb_object_agg(c.step, c.good), '{}')
    FROM (SELECT DISTINCT ON (event ->> 'step') event ->> 'step' AS step, event -> 'good' AS good
      FROM press_room_record WHERE job_id = j.id AND event ->> 'kind' = 'count'
      ORDER BY event ->> 'step', id DESC) c) AS counts
FROM job j
JOIN LATERAL (SELECT * FROM revision WHERE job_id = j.id ORDER BY revision DESC LIMIT 1) r ON true
ORDER BY r.body ->> 'due' NULLS LAST, j.id
