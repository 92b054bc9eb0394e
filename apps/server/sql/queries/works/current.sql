-- The works with the norms that it has changed (last reason and name), its folds, and the number of its last change. One or none.
SELECT w.body,
  (SELECT coalesce(jsonb_agg(jsonb_build_object('id', n.id, 'value', n.value, 'reason', c.reason, 'by', a.name) ORDER BY n.id), '[]')
    FROM norm n
    JOIN LATERAL (SELECT reason, changed_by FROM norm_change WHERE norm = n.id ORDER BY id DESC LIMIT 1) c ON true
    JOIN account a ON a.id = c.changed_by) AS norms,
  (SELECT coalesce(jsonb_agg(jsonb_build_object('name', name) || body ORDER BY name), '[]') FROM house_fold) AS folds,
  (SELECT coalesce(max(id), 0)::integer FROM norm_change) AS mark
FROM works w
