-- What a job has drawn from the store, use by use. $1 job. Many.
SELECT of, key, quantity, of_reserved FROM store_drawn WHERE job_id = $1 ORDER BY of, key
