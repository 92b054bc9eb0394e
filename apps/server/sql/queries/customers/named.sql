-- A customer that has one of these names, in whatever letters, and how they are written to. $1 names as a JSON array, $2 id of one that is not meant, or null. One or none.
SELECT c.name, c.body ->> 'locale' AS locale FROM customer c
WHERE ($2::integer IS NULL OR c.id <> $2) AND EXISTS (
  SELECT 1 FROM jsonb_array_elements_text($1::jsonb) asked
  WHERE lower(asked) IN (SELECT lower(c.name) UNION SELECT lower(jsonb_array_elements_text(coalesce(c.body -> 'also', '[]'))))
)
LIMIT 1
