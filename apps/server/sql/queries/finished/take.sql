-- Takes pieces out of a lot. $1 lot, $2 pieces. None.
UPDATE finished_lot SET pieces = pieces - $2 WHERE id = $1
