-- Names out of a list that customers have already, in whatever letters, with who has them. $1 names as a JSON array. Many.
WITH had AS (
  SELECT lower(c.name) AS name, c.name AS customer FROM customer c
  UNION ALL
  SELECT lower(also), c.name FROM customer c, jsonb_array_elements_text(c.body -> 'also') also
)
SELECT asked AS name, had.customer FROM jsonb_array_elements_text($1::jsonb) asked JOIN had ON had.name = lower(asked)
