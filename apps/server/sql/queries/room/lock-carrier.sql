-- One taker of a kept carrier at a time. $1 key. One.
SELECT pg_advisory_xact_lock(hashtext('carrier'), hashtext($1::text))
