-- Lots on hand, by key. Many.
SELECT h.id, h.version, h.key, h.paper, h.other, h.quantity, h.place, h.changed_at, a.name AS changed_by
FROM holding h
JOIN account a ON a.id = h.changed_by
WHERE h.quantity > 0
ORDER BY h.key, h.id
