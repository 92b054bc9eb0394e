-- What jobs have drawn from the store. Many.
SELECT job_id AS job, key, sum(quantity) AS quantity FROM store_drawn WHERE quantity > 0 GROUP BY job_id, key ORDER BY job_id, key
