-- Released jobs of which something is counted and carriers may still be there, the last recorded first. $1 due no earlier than this day. Many.
SELECT j.id, j.revision, last.record
FROM job j
JOIN (
  SELECT job_id, max(id) AS record FROM book_entry GROUP BY job_id HAVING bool_or(event ->> 'kind' IN ('count', 'good')) AND bool_or(event ->> 'kind' = 'carrier')
) last ON last.job_id = j.id
WHERE NOT j.aside AND j.state = 'released' AND (j.due IS NULL OR j.due >= $1::text)
ORDER BY last.record DESC
LIMIT 60
