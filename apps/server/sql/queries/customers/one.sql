-- A customer. $1 id. One or none.
SELECT c.id, c.version, c.body AS customer, a.name AS "changedBy", iso(c.changed_at) AS "changedAt"
FROM customer c JOIN account a ON a.id = c.changed_by
WHERE c.id = $1
