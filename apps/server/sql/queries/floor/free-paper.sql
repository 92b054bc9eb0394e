-- Of every key what is on hand, what each job has reserved of it and taken in already. Many.
SELECT key, coalesce(h.quantity, 0) AS quantity, coalesce(r.reserved, '[]') AS reserved, coalesce(d.drawn, '[]') AS drawn
FROM (SELECT key, sum(quantity) AS quantity FROM holding WHERE quantity > 0 GROUP BY key) h
FULL JOIN (
  SELECT key, json_agg(json_build_object('job', job_id, 'quantity', quantity) ORDER BY job_id) AS drawn
  FROM (SELECT job_id, key, sum(quantity) AS quantity FROM store_drawn WHERE quantity > 0 GROUP BY job_id, key) of_job GROUP BY key
) d USING (key)
LEFT JOIN (
  SELECT key, json_agg(json_build_object('job', job_id, 'quantity', quantity) ORDER BY job_id) AS reserved FROM reservation GROUP BY key
) r USING (key)
