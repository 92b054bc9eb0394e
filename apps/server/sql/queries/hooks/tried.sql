-- How a try of a message ended. $1 message, $2 state, $3 in words. None.
UPDATE hook_message SET tries = tries + 1, tried_at = now(), state = $2, outcome = $3 WHERE id = $1
