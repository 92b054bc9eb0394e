-- A page of the jobs that hold all patterns as it is answered, by a column, and how many there are. $1 patterns as a JSON array, $2 skipped, $3 most, $4 column, $5 whether the largest comes first, $6 what else they are: status, family, customer, dueBy, press as a JSON object. One.
WITH found AS (
  SELECT j.listed, row_number() OVER (ORDER BY
    CASE WHEN NOT $5::boolean THEN k.measure END,
    CASE WHEN $5::boolean THEN k.measure END DESC NULLS LAST,
    CASE WHEN NOT $5::boolean THEN k.word END,
    CASE WHEN $5::boolean THEN k.word END DESC NULLS LAST,
    j.id DESC) AS place
  FROM job j
  CROSS JOIN LATERAL (SELECT
    CASE $4::text WHEN 'quantity' THEN j.quantity WHEN 'changedAt' THEN extract(epoch FROM j.changed_at) END AS measure,
    CASE $4::text WHEN 'number' THEN j.number WHEN 'title' THEN j.title WHEN 'customer' THEN j.customer WHEN 'due' THEN j.due
      WHEN 'status' THEN j.state END AS word
  ) k
  WHERE j.words LIKE ALL (ARRAY(SELECT jsonb_array_elements_text($1::jsonb)))
    AND ($6::jsonb->>'customer' IS NULL OR j.customer = $6::jsonb->>'customer')
    AND ($6::jsonb->>'dueBy' IS NULL OR j.due <= $6::jsonb->>'dueBy')
    AND ($6::jsonb->>'press' IS NULL OR j.presses ? ($6::jsonb->>'press'))
    AND (NOT $6::jsonb ?| ARRAY['status', 'family'] OR j.listed::jsonb @> ($6::jsonb - 'customer' - 'dueBy' - 'press'))
)
SELECT (SELECT concat('[', string_agg(listed, ',' ORDER BY place), ']') FROM found WHERE place > $2::integer AND place <= $2::integer + $3::integer) AS answer,
  (SELECT count(*)::integer FROM found) AS total
