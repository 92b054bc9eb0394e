-- Ends every session of an account. $1 account. None.
DELETE FROM session WHERE (sess ->> 'accountId')::integer = $1
