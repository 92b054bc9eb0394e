-- Sets a password. $1 account, $2 hash. None.
UPDATE account SET password_hash = $2 WHERE id = $1
