-- Sets the state of books. $1 codes, $2 state, $3 account. None.
UPDATE single_book SET state = $2, version = version + 1, changed_by = $3, changed_at = now() WHERE code IN (SELECT jsonb_array_elements_text($1::jsonb))
