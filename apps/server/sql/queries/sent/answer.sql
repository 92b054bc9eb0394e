-- Keeps what a request was answered. $1 account, $2 key, $3 answer. None.
UPDATE sent_request SET answer = $3 WHERE account_id = $1 AND key = $2
