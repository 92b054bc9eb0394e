-- Holds a norm until the transaction ends, whether it has a row or not. $1 norm. None.
SELECT pg_advisory_xact_lock(hashtextextended('norm ' || $1, 0))
