-- The last entry of the book with its hash. One or none.
SELECT id AS entry, encode(sha256, 'hex') AS sha256 FROM book_entry ORDER BY id DESC LIMIT 1
