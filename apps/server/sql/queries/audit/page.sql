-- What was written, newest first. $1 patterns as a JSON array that name, act and subject match, $2 limit, $3 offset, $4 acts as they are called. Many.
SELECT iso(at) AS at, by, what, subject, count(*) OVER ()::integer AS total
FROM audit_record
WHERE lower(concat_ws(' ', by, what, $4::jsonb ->> what, subject)) LIKE ALL (ARRAY(SELECT jsonb_array_elements_text($1::jsonb)))
ORDER BY id DESC LIMIT $2 OFFSET $3
