-- A page of the orders to suppliers that hold all patterns, or one of them, newest first, and how many there are. $1 patterns as a JSON array, $2 id or null, $3 whether drafts and sent alone, $4 skipped, $5 most. Many.
WITH found AS (
  SELECT p.*, s.name AS supplier_name FROM purchase p JOIN supplier s ON s.id = p.supplier_id
  WHERE ($2::integer IS NULL OR p.id = $2) AND (NOT $3::boolean OR p.state IN ('draft', 'sent'))
    AND (jsonb_array_length($1::jsonb) = 0 OR lower(concat_ws(' ', p.number, s.name, p.body ->> 'note', p.state, (
      SELECT string_agg(concat_ws(' ', coalesce(l #>> '{other,name}', i.body ->> 'name'), j.numbers), ' ')
      FROM jsonb_array_elements(p.body -> 'lines') l
      LEFT JOIN works_item i ON i.kind = 'stock' AND i.id = l #>> '{paper,stock}'
      CROSS JOIN LATERAL (
        SELECT string_agg(job.number, ' ') AS numbers FROM jsonb_array_elements(l -> 'jobs') f JOIN job ON job.id = (f ->> 'job')::integer
      ) j
    ))) LIKE ALL (ARRAY(SELECT jsonb_array_elements_text($1::jsonb))))
)
SELECT f.id, f.version, f.number, f.supplier_id AS supplier, f.supplier_name AS "supplierName", f.state, f.reason, f.body,
  iso(f.made_at) AS "madeAt", a.name AS "changedBy", iso(f.changed_at) AS "changedAt", (SELECT count(*)::integer FROM found) AS total,
  coalesce((SELECT jsonb_object_agg(r.line, r.received) FROM purchase_received(f.id) r), '{}') AS received,
  coalesce((SELECT jsonb_object_agg(job.id, job.number) FROM job WHERE job.id IN (
    SELECT (j ->> 'job')::integer FROM jsonb_array_elements(f.body -> 'lines') l CROSS JOIN LATERAL jsonb_array_elements(l -> 'jobs') j)), '{}') AS numbers,
  coalesce((SELECT jsonb_agg(jsonb_build_object('at', iso(r.received_at), 'by', w.name, 'note', r.note, 'lines', r.lines) ORDER BY r.id)
    FROM purchase_receipt r JOIN account w ON w.id = r.received_by WHERE r.purchase_id = f.id), '[]') AS receipts
FROM found f JOIN account a ON a.id = f.changed_by
ORDER BY f.id DESC OFFSET $4 LIMIT $5
