-- Norms that the works has changed, with the last reason and name. Many.
SELECT n.id, n.value, c.reason, a.name AS changed_by
FROM norm n
JOIN LATERAL (SELECT reason, changed_by FROM norm_change WHERE norm = n.id ORDER BY id DESC LIMIT 1) c ON true
JOIN account a ON a.id = c.changed_by
ORDER BY n.id
