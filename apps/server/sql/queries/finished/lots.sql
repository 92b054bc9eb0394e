-- Lots with something on hand, by customer. Many.
SELECT l.id, l.version, l.job_id AS job, j.number, l.title, l.customer, l.pieces, l.place, l.piece_g, l.per_pallet,
  a.name AS received_by, l.received_at
FROM finished_lot l
JOIN job j ON j.id = l.job_id
JOIN account a ON a.id = l.received_by
WHERE l.pieces > 0
ORDER BY l.customer, l.id
