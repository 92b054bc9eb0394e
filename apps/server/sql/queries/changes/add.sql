-- Keeps how something changed. $1 kind, $2 subject, $3 before and $4 after (JSON or null), $5 account. None.
INSERT INTO change_record (kind, subject, before, after, changed_by) VALUES ($1, $2, $3, $4, $5)
