-- The entry of the book that carries a hash. $1 hash, hexadecimal. One or none.
SELECT id, iso(entered_at) AS at FROM book_entry WHERE sha256 = decode($1::text, 'hex')
