-- Jobs that cannot be of an order: there is none, another customer's, or of another order. $1 jobs as a JSON array, $2 names of the customer as a JSON array, $3 order or null. Many.
SELECT asked.id, job.number, o.number AS order
FROM (SELECT value::integer AS id FROM jsonb_array_elements_text($1::jsonb)) asked
LEFT JOIN job ON job.id = asked.id
LEFT JOIN customer_order_job oj ON oj.job_id = asked.id AND ($3::integer IS NULL OR oj.order_id <> $3)
LEFT JOIN customer_order o ON o.id = oj.order_id
WHERE job.id IS NULL OR o.id IS NOT NULL OR job.customer NOT IN (SELECT jsonb_array_elements_text($2::jsonb))
ORDER BY asked.id
