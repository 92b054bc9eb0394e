-- Forgets links that hold no longer. None.
DELETE FROM account_link WHERE expires_at < now()
