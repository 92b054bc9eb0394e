-- Language and place that a customer is written to in, by any of their names. $1 name. One or none.
SELECT c.body ->> 'locale' AS locale FROM customer c
WHERE lower(c.name) = lower($1) OR lower($1) IN (SELECT lower(jsonb_array_elements_text(coalesce(c.body -> 'also', '[]'))))
LIMIT 1
