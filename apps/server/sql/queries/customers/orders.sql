-- Orders of a customer, or one of them, newest first. $1 customer or null, $2 order or null. Many.
SELECT o.id, o.version, o.body || jsonb_build_object('number', o.number, 'jobs', coalesce(
    (SELECT jsonb_agg(j.job_id ORDER BY j.job_id) FROM customer_order_job j WHERE j.order_id = o.id), '[]')) AS order,
  a.name AS "changedBy", iso(o.changed_at) AS "changedAt"
FROM customer_order o JOIN account a ON a.id = o.changed_by
WHERE ($1::integer IS NULL OR o.customer_id = $1) AND ($2::integer IS NULL OR o.id = $2)
ORDER BY o.id DESC
LIMIT 500
