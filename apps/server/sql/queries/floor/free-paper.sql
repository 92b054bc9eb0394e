-- Of every key what is on hand, what each job has reserved of it. Many.
SELECT h.key, h.quantity, coalesce(r.reserved, '[]') AS reserved
FROM (SELECT key, sum(quantity) AS quantity FROM holding WHERE quantity > 0 GROUP BY key) h
LEFT JOIN (
  SELECT key, json_agg(json_build_object('job', job_id, 'quantity', quantity) ORDER BY job_id) AS reserved FROM reservation GROUP BY key
) r ON r.key = h.key
