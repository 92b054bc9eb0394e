-- Jobs that are released and not put aside, by their last release, each with its stations as reckoned by an engine, how it is finished, and its press room's records. $1 engine, $2 due no earlier than this day. Many.
SELECT j.id, r.revision, j.number, r.title, r.customer, r.due, coalesce((c.body ->> 'weight')::double precision, 1) AS weight, f.steps,
  a.body -> 'finish' AS finish,
  coalesce((
    SELECT json_agg(json_build_object('id', e.id, 'event', e.event, 'at', iso(e.happened_at), 'by', '') ORDER BY e.id)
    FROM book_entry e WHERE e.job_id = j.id AND e.event ->> 'kind' NOT IN ('reading', 'note', 'fault', 'check')
  ), '[]') AS records
FROM job j
JOIN LATERAL (
  SELECT l.revision, l.body ->> 'title' AS title, l.body ->> 'customer' AS customer, l.body ->> 'due' AS due
  FROM revision l WHERE l.job_id = j.id AND l.state = 'released' ORDER BY l.revision DESC LIMIT 1
) r ON true
LEFT JOIN customer c ON lower(c.name) = lower(r.customer)
LEFT JOIN floor_job f ON f.job_id = j.id AND f.revision = r.revision AND f.engine = $1::integer
LEFT JOIN assessment a ON a.job_id = j.id AND a.revision = r.revision
WHERE NOT j.aside AND (j.state = 'released' OR j.revision > 1) AND (j.due IS NULL OR j.due >= $2::text)
ORDER BY j.id
