-- Lots of a key, oldest first, held until the transaction ends; also empty ones. $1 key. Many.
SELECT id, quantity, place FROM holding WHERE key = $1 ORDER BY id FOR UPDATE
