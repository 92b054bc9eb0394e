-- Newest revision of every job with what it needs and the last count of each of its steps, earliest due first. Many.
SELECT j.id, j.number, r.body ->> 'title' AS title, r.body ->> 'due' AS due, a.body AS assessment,
  (SELECT coalesce(jsonb_object_agg(c.step, c.good), '{}')
    FROM (SELECT DISTINCT ON (event ->> 'step') event ->> 'step' AS step, event -> 'good' AS good
      FROM press_room_record WHERE job_id = j.id AND event ->> 'kind' = 'count'
      ORDER BY event ->> 'step', id DESC) c) AS counts
FROM job j
JOIN LATERAL (SELECT * FROM revision WHERE job_id = j.id ORDER BY revision DESC LIMIT 1) r ON true
LEFT JOIN assessment a ON a.job_id = j.id AND a.revision = r.revision
ORDER BY r.body ->> 'due' NULLS LAST, j.id
