-- Lots of a job, with what was called off them, first ones first, held until the transaction ends. $1 job. Many.
SELECT l.id, l.pieces, l.by_book,
  (SELECT coalesce(sum(c.pieces), 0)::double precision FROM call_off c WHERE c.lot_id = l.id) AS called
FROM finished_lot l WHERE l.job_id = $1 ORDER BY l.id FOR UPDATE
