-- The last change of one of some machines or stocks that was made after one that somebody saw. $1 kind, $2 ids as jsonb, $3 number of the change. One or none.
SELECT c.subject, c.after ->> 'name' AS name, a.name AS changed_by
FROM change_record c JOIN account a ON a.id = c.changed_by
WHERE c.kind = $1 AND c.subject IN (SELECT jsonb_array_elements_text($2::jsonb)) AND c.id > $3
ORDER BY c.id DESC LIMIT 1
