-- Forgets all tries of a key. $1 key. None.
DELETE FROM sign_in_attempt WHERE key = $1
