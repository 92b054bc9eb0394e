-- What was said of matters and still holds on a day, with who they are given to. $1 today. Many.
SELECT n.key, n.state, n.until, n.given_to AS "toId", t.name AS "to", a.name AS by
FROM desk_note n
JOIN account a ON a.id = n.noted_by
LEFT JOIN account t ON t.id = n.given_to
WHERE n.until IS NULL OR n.until > $1::text
