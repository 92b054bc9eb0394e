-- Ends the sessions of an account but one. $1 account, $2 session that stays. None.
DELETE FROM session WHERE (sess ->> 'accountId')::integer = $1 AND sid <> $2
