-- Forgets tries whose window is over. None.
DELETE FROM sign_in_attempt WHERE reset_at < now()
