-- Pieces of a job that came into the stock so far, called off or not. $1 job. One.
SELECT coalesce(sum(l.pieces + coalesce(c.pieces, 0)), 0)::double precision AS pieces
FROM finished_lot l
LEFT JOIN (SELECT lot_id, sum(pieces) AS pieces FROM call_off GROUP BY lot_id) c ON c.lot_id = l.id
WHERE l.job_id = $1
