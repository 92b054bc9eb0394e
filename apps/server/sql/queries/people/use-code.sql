-- Uses a recovery code, once. $1 account, $2 its hash. One, or none where it is none or was used.
UPDATE account SET recovery_codes = recovery_codes - $2::text WHERE id = $1 AND recovery_codes ? $2::text RETURNING id
