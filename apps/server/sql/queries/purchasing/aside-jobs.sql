-- Jobs of an order to a supplier that are put aside. $1 order. Many.
SELECT id FROM job WHERE aside AND id IN (
  SELECT (j ->> 'job')::integer FROM purchase p
  CROSS JOIN LATERAL jsonb_array_elements(p.body -> 'lines') l CROSS JOIN LATERAL jsonb_array_elements(l -> 'jobs') j
  WHERE p.id = $1)
