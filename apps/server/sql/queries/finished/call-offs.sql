-- Call-offs, newest first. Many.
SELECT c.id, c.lot_id AS lot, j.number, l.title, c.pieces, c.destination, c.transit_days, c.due::text AS due, l.piece_g,
  l.per_pallet, a.name AS called_by, c.called_at
FROM call_off c
JOIN finished_lot l ON l.id = c.lot_id
JOIN job j ON j.id = l.job_id
JOIN account a ON a.id = c.called_by
ORDER BY c.id DESC
LIMIT 200
