-- What is still to come of the orders that are sent, and for whom. Many.
SELECT p.number AS order, p.body ->> 'expected' AS day, l.line ->> 'key' AS key, l.line -> 'jobs' AS jobs,
  (l.line ->> 'quantity')::double precision - coalesce(r.received, 0) AS quantity, coalesce(r.received, 0) AS received
FROM purchase p
CROSS JOIN LATERAL jsonb_array_elements(p.body -> 'lines') WITH ORDINALITY AS l (line, place)
LEFT JOIN LATERAL (SELECT received FROM purchase_received(p.id) x WHERE x.line = l.place - 1) r ON true
WHERE p.state = 'sent' AND (l.line ->> 'quantity')::double precision > coalesce(r.received, 0)
ORDER BY p.body ->> 'expected', p.id, l.place
