-- The account of a sign-in name, where it may be used. $1 login. One or none.
SELECT id, password_hash, demo, totp_secret, totp_step::double precision AS totp_step, recovery_codes
FROM account WHERE login = $1 AND disabled_at IS NULL
