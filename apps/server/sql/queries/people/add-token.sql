-- Keeps the token of a program. $1 its hash, $2 account, $3 days that it holds, or null. One.
INSERT INTO program_token (token_hash, account_id, expires_at) VALUES ($1, $2, now() + make_interval(days => $3::integer))
RETURNING iso(expires_at) AS until
