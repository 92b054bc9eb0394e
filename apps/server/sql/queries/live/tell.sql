-- Tells every instance on this database. $1 message (text). One.
SELECT pg_notify('druckerei', $1::text)
