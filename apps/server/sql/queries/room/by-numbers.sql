-- Jobs by their numbers, whatever their letters. $1 jsonb list of numbers in small letters. Many.
SELECT id, lower(number) AS number FROM job WHERE lower(number) IN (SELECT jsonb_array_elements_text($1::jsonb))
