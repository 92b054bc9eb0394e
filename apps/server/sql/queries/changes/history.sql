-- Changes of a kind, or of one thing of it, newest first. $1 kind, $2 subject or null. Many.
SELECT c.subject, c.before, c.after, a.name AS changed_by, c.changed_at
FROM change_record c JOIN account a ON a.id = c.changed_by
WHERE c.kind = $1 AND ($2::text IS NULL OR c.subject = $2)
ORDER BY c.id DESC LIMIT 200
