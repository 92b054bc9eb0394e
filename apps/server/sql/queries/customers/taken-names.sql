-- Names out of a list that customers have already, in whatever letters, with who has them. $1 names as a JSON array. Many.
SELECT asked AS name, c.name AS customer FROM jsonb_array_elements_text($1::jsonb) asked JOIN customer c
  ON lower(asked) = lower(c.name) OR lower(asked) IN (SELECT lower(jsonb_array_elements_text(coalesce(c.body -> 'also', '[]'))))
