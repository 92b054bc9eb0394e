-- Changes of norms, newest first. $1 norm or null for all. Many, 500 at most.
SELECT c.norm, c.value_before, c.value_after, c.reason, a.name AS changed_by, c.changed_at
FROM norm_change c JOIN account a ON a.id = c.changed_by
WHERE $1::text IS NULL OR c.norm = $1
ORDER BY c.id DESC LIMIT 500
