-- One change of a kind at a time, so that the marks of its records grow in the order that they are seen in. $1 kind. One.
SELECT pg_advisory_xact_lock(hashtext('changes'), hashtext($1::text))
