-- Released jobs that are not put aside, each with its stations as reckoned by an engine, how it is finished, and its press room's records. $1 engine, $2 due no earlier than this day. Many.
SELECT j.id, j.revision, j.number, j.title, j.customer, j.due, coalesce((c.body ->> 'weight')::double precision, 1) AS weight, f.steps,
  a.body -> 'finish' AS finish,
  coalesce((
    SELECT json_agg(json_build_object('id', r.id, 'event', r.event, 'at', iso(r.entered_at), 'by', '') ORDER BY r.id)
    FROM press_room_record r WHERE r.job_id = j.id
  ), '[]') AS records
FROM job j
LEFT JOIN customer c ON lower(c.name) = lower(j.customer)
LEFT JOIN floor_job f ON f.job_id = j.id AND f.revision = j.revision AND f.engine = $1::integer
LEFT JOIN assessment a ON a.job_id = j.id AND a.revision = j.revision
WHERE j.state = 'released' AND NOT j.aside AND (j.due IS NULL OR j.due >= $2::text)
ORDER BY j.id
