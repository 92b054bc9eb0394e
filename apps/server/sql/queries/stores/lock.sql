-- A lot as it stands, held until the transaction ends. $1 lot. One.
SELECT quantity, place, version, key FROM holding WHERE id = $1 FOR UPDATE
