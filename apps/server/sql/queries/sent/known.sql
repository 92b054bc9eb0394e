-- A request that was sent with a key. $1 account, $2 key. One or none.
SELECT fingerprint, answer FROM sent_request WHERE account_id = $1 AND key = $2
