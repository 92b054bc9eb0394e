-- The account of a token that holds; that it was used is kept now and then. $1 hash of the token. One or none.
WITH used AS (
  UPDATE program_token SET used_at = now()
  WHERE token_hash = $1 AND (expires_at IS NULL OR expires_at > now()) AND (used_at IS NULL OR used_at < now() - interval '5 minutes')
)
SELECT account_id AS id FROM program_token WHERE token_hash = $1 AND (expires_at IS NULL OR expires_at > now())
