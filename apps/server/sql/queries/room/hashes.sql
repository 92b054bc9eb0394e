-- Hashes of entries and of the last one of the book. $1 ids as jsonb. Many.
SELECT id, encode(sha256, 'hex') AS sha256, id = (SELECT max(id) FROM book_entry) AS head FROM book_entry
WHERE id IN (SELECT jsonb_array_elements_text($1::jsonb)::integer) OR id = (SELECT max(id) FROM book_entry) ORDER BY id
