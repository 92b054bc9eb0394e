-- Jobs of a customer. $1 names as a JSON array. Many.
SELECT id FROM job WHERE customer IN (SELECT jsonb_array_elements_text($1::jsonb))
