-- Whom a link is for, where it still holds. $1 hash of its token. One or none.
SELECT a.id, a.login, a.name FROM account_link l JOIN account a ON a.id = l.account_id
WHERE l.token_hash = $1 AND l.expires_at > now() AND a.disabled_at IS NULL
