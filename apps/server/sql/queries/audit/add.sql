-- Notes that something was written. $1 account, $2 what, $3 of which. None.
INSERT INTO audit_record (account_id, what, subject) VALUES ($1, $2, $3)
