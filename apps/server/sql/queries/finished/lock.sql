-- Pieces of a lot, held until the transaction ends. $1 lot. One.
SELECT pieces, version FROM finished_lot WHERE id = $1 FOR UPDATE
