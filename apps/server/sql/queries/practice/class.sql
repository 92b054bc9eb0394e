-- What everybody has reached in each kind of exercise. Many.
SELECT a.id AS person, a.name, r.kind, count(*)::int AS times, max(r.marks) AS best, iso(max(r.at)) AS last
FROM practice_result r JOIN account a ON a.id = r.account_id
GROUP BY a.id, a.name, r.kind ORDER BY lower(a.name), a.id, r.kind
