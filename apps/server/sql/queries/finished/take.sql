-- Takes pieces out of a lot. $1 lot, $2 pieces. None.
UPDATE finished_lot SET pieces = pieces - $2, version = version + 1 WHERE id = $1
