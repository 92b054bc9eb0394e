-- Entries that the book has already, by the names that devices gave them. $1 names as a JSON array. Many.
SELECT uid, id, event ->> 'kind' AS kind FROM book_entry WHERE uid IN (SELECT jsonb_array_elements_text($1::jsonb))
