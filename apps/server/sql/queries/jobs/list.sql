-- Newest revision of every job, last changed first. Many.
SELECT j.id, j.number, r.revision, r.state, r.changed_at, a.name AS changed_by,
  r.body ->> 'title' AS title, r.body ->> 'customer' AS customer, r.body ->> 'family' AS family, r.body ->> 'due' AS due,
  (r.body -> 'order' ->> 'quantity')::double precision AS quantity
FROM job j
JOIN LATERAL (SELECT * FROM revision WHERE job_id = j.id ORDER BY revision DESC LIMIT 1) r ON true
JOIN account a ON a.id = r.changed_by
ORDER BY r.changed_at DESC, j.id DESC
