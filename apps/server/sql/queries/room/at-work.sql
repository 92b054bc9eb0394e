-- Jobs at whose stations something was entered since a time, with all of their entries that count or wait. $1 since, ISO 8601. Many.
SELECT j.id, j.number, r.body ->> 'title' AS title, a.body -> 'card' AS card, e.records
FROM (
  SELECT job_id, json_agg(json_build_object('id', b.id, 'event', b.event, 'at', iso(b.happened_at), 'by', c.name) ORDER BY b.id) AS records
  FROM book_entry b JOIN account c ON c.id = b.entered_by
  WHERE b.job_id IN (SELECT DISTINCT job_id FROM book_entry WHERE entered_at > $1::timestamptz)
    AND b.event ->> 'kind' NOT IN ('reading', 'note', 'fault', 'check')
  GROUP BY job_id
) e
JOIN job j ON j.id = e.job_id AND NOT j.aside
JOIN revision r ON r.job_id = j.id AND r.revision = j.revision
LEFT JOIN assessment a ON a.job_id = j.id AND a.revision = j.revision
ORDER BY j.number
