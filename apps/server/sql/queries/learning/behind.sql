-- Jobs of which the book says more of stations that are through than was made of it, the oldest first. $1 most. Many.
SELECT b.job_id AS id, b.last, count(*) OVER ()::integer AS total
FROM (
  SELECT job_id, max(id) AS last FROM book_entry
  WHERE event ->> 'kind' IN ('step-closed', 'step-opened', 'count', 'take-back', 'strike', 'settled')
  GROUP BY job_id
) b
LEFT JOIN job_outcome o ON o.job_id = b.job_id
WHERE b.last > coalesce(o.up_to, 0) ORDER BY b.last LIMIT $1
