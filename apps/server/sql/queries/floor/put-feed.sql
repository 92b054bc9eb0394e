-- Gives an account a feed, in place of the one before. $1 account, $2 hash of its token. One.
INSERT INTO floor_feed (account_id, token_hash) VALUES ($1, $2)
ON CONFLICT (account_id) DO UPDATE SET token_hash = excluded.token_hash, made_at = now()
RETURNING iso(made_at) AS "madeAt"
