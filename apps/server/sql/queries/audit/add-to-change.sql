-- Notes within a transaction that it was written, if it has written or locked anything. $1 name of who did, $2 what,
-- $3 of which. One.
INSERT INTO audit_record (by, what, subject)
SELECT $1, $2, $3
WHERE pg_current_xact_id_if_assigned() IS NOT NULL
RETURNING true AS left
