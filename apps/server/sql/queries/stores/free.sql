-- What is on hand of a key and not reserved by other jobs. $1 key, $2 job. One.
SELECT coalesce((SELECT sum(quantity) FROM holding WHERE key = $1), 0)
  - coalesce((SELECT sum(quantity) FROM reservation WHERE key = $1 AND job_id <> $2), 0) AS free
