-- States and versions of books, held until the transaction ends. $1 codes. Many.
SELECT code, state, version FROM single_book WHERE code IN (SELECT jsonb_array_elements_text($1::jsonb)) ORDER BY code FOR UPDATE
