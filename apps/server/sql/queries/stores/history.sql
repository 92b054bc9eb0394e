-- Changes of a lot, newest first. $1 lot. Many.
SELECT c.quantity_before, c.quantity_after, c.place_before, c.place_after, c.reason, c.changed_at, a.name AS changed_by
FROM holding_change c
JOIN account a ON a.id = c.changed_by
WHERE c.holding_id = $1
ORDER BY c.id DESC
LIMIT 200
