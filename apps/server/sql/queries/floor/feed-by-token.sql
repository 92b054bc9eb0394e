-- Whether a feed is there, and its account may still come in. $1 hash of its token. One or none.
SELECT f.account_id AS account FROM floor_feed f JOIN account a ON a.id = f.account_id
WHERE f.token_hash = $1 AND a.disabled_at IS NULL
