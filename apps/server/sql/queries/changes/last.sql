-- The last change of something. $1 kind, $2 subject. One or none.
SELECT c.id::integer AS id, c.after, a.name AS changed_by
FROM change_record c JOIN account a ON a.id = c.changed_by
WHERE c.kind = $1 AND c.subject = $2
ORDER BY c.id DESC LIMIT 1
