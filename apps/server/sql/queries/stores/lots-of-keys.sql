-- Lots of several keys that hold something, the oldest first, held until the transaction ends. $1 keys. Many.
SELECT id, key, quantity, place FROM holding WHERE quantity > 0 AND key IN (SELECT jsonb_array_elements_text($1::jsonb)) ORDER BY id FOR UPDATE
