-- Forgets a request that came to nothing: it may be sent again. $1 account, $2 key. None.
DELETE FROM sent_request WHERE account_id = $1 AND key = $2
