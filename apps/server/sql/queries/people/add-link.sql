-- Keeps a link. $1 hash of its token, $2 account, $3 hours that it holds. None.
INSERT INTO account_link (token_hash, account_id, expires_at) VALUES ($1, $2, now() + make_interval(hours => $3))
