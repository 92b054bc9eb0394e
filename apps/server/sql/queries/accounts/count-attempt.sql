-- Counts a try to sign in. $1 key, $2 window in seconds. One: hits within the window, and when it ends.
INSERT INTO sign_in_attempt AS attempt (key, hits, reset_at) VALUES ($1, 1, now() + $2 * interval '1 second')
ON CONFLICT (key) DO UPDATE SET
  hits = CASE WHEN attempt.reset_at < now() THEN 1 ELSE attempt.hits + 1 END,
  reset_at = CASE WHEN attempt.reset_at < now() THEN now() + $2 * interval '1 second' ELSE attempt.reset_at END
RETURNING hits, reset_at
