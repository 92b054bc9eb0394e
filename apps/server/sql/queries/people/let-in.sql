-- Lets an account in again by its password alone. $1 account. None.
UPDATE account SET disabled_at = NULL, totp_secret = NULL, totp_step = NULL, recovery_codes = NULL WHERE id = $1
