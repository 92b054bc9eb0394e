-- Notes that something was written. $1 name of who did, $2 what, $3 of which. None.
INSERT INTO audit_record (by, what, subject) VALUES ($1, $2, $3)
