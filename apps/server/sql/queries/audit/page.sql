-- What was written, newest first. $1 pattern that name, act and subject together match, $2 limit, $3 offset. Many.
SELECT iso(at) AS at, by, what, subject, count(*) OVER ()::integer AS total
FROM audit_record
WHERE concat_ws(' ', by, what, subject) ILIKE $1
ORDER BY id DESC LIMIT $2 OFFSET $3
