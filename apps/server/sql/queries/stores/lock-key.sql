-- One reservation of a key at a time. $1 key. One.
SELECT pg_advisory_xact_lock(hashtext('reservation'), hashtext($1::text))
