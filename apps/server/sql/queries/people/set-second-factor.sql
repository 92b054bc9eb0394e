-- Sets the second factor of an account, or takes it away. $1 account, $2 secret or null, $3 recovery codes as jsonb, hashed, or null. None.
UPDATE account SET totp_secret = $2, recovery_codes = $3, totp_step = NULL WHERE id = $1
