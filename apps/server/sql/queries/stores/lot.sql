-- A lot, with when it came in and why. $1 lot. One or none.
SELECT h.id, h.paper, h.other, h.quantity, h.place, first.changed_at AS came, first.reason
FROM holding h
CROSS JOIN LATERAL (SELECT changed_at, reason FROM holding_change c WHERE c.holding_id = h.id ORDER BY c.id LIMIT 1) first
WHERE h.id = $1
