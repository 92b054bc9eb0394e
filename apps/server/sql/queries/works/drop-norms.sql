-- Norms that the works no longer sets. $1 ids as jsonb. None.
DELETE FROM norm WHERE id IN (SELECT jsonb_array_elements_text($1::jsonb))
