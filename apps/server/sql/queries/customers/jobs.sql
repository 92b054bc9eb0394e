-- Jobs of a customer, last changed first, with what ends each and the last count of each of its steps that stands. $1 names as a JSON array. Many.
SELECT job.id, job.number, job.title, job.quantity, job.due, job.listed::jsonb ->> 'status' AS status, job.revision,
  (SELECT max(r.revision) FROM revision r WHERE r.job_id = job.id AND r.state = 'released') AS released,
  iso(job.changed_at) AS "changedAt", o.number AS order, a.body -> 'finish' AS finish,
  (SELECT coalesce(jsonb_object_agg(c.step, c.good), '{}') FROM counted_steps() c WHERE c.job_id = job.id) AS counts,
  (SELECT count(*)::integer FROM book_entry r WHERE r.job_id = job.id AND r.event ->> 'kind' IN ('trial', 'take-back', 'reader-stop')) AS stops
FROM job
LEFT JOIN assessment a ON a.job_id = job.id AND a.revision = job.revision
LEFT JOIN customer_order_job oj ON oj.job_id = job.id
LEFT JOIN customer_order o ON o.id = oj.order_id
WHERE job.customer IN (SELECT jsonb_array_elements_text($1::jsonb))
ORDER BY job.changed_at DESC, job.id DESC
LIMIT 500
