-- What was written, newest first. $1 pattern that name, act and subject together match, $2 limit, $3 offset. Many.
SELECT iso(r.at) AS at, a.name AS by, r.what, r.subject, count(*) OVER ()::integer AS total
FROM audit_record r JOIN account a ON a.id = r.account_id
WHERE concat_ws(' ', a.name, r.what, r.subject) ILIKE $1
ORDER BY r.id DESC LIMIT $2 OFFSET $3
