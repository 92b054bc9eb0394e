-- One revision, or the newest, as it is answered: a draft in the works of today, or ($3) without it. $1 job, $2 revision or null. One or none.
SELECT concat('{"id":', r.job_id, ',"revision":', r.revision, ',"state":"', r.state, '","version":', r.version,
  ',"changedAt":"', iso(r.changed_at), '","changedBy":', to_json(a.name),
  ',"worksMark":', CASE WHEN r.works IS NULL THEN to_json(works_mark())::text ELSE 'null' END, ',"job":', r.body,
  ',"works":', coalesce(r.works::text, CASE WHEN $3 THEN 'null' ELSE works_today() END), ',"revisions":', (
    SELECT json_agg(json_build_object(
      'revision', h.revision, 'state', h.state, 'changedAt', iso(h.changed_at), 'changedBy', by.name,
      'releasedAt', iso(h.released_at), 'releasedBy', releaser.name
    ) ORDER BY h.revision DESC)
    FROM revision h JOIN account by ON by.id = h.changed_by LEFT JOIN account releaser ON releaser.id = h.released_by
    WHERE h.job_id = r.job_id
  ), ',"aside":', (SELECT aside FROM job WHERE id = r.job_id)::text, '}') AS answer
FROM revision r JOIN account a ON a.id = r.changed_by
WHERE r.job_id = $1 AND ($2::integer IS NULL OR r.revision = $2)
ORDER BY r.revision DESC LIMIT 1
