-- Uses a step of the second factor, once. $1 account, $2 step. One, or none where it or a later one was used.
UPDATE account SET totp_step = $2 WHERE id = $1 AND coalesce(totp_step, 0) < $2 RETURNING id
