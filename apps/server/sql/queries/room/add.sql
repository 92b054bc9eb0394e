-- Puts entries behind the last one of the book. $1 their texts (RFC 8785) as a JSON array, in their order. Many.
INSERT INTO book_entry (canon)
SELECT entry.canon FROM jsonb_array_elements_text($1::jsonb) WITH ORDINALITY AS entry (canon, place) ORDER BY entry.place
RETURNING id, uid
