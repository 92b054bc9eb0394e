-- Adds an account unless its login is taken. $1 login, $2 name, $3 role, $4 password hash, $5 demo. None.
INSERT INTO account (login, name, role, password_hash, demo) VALUES ($1, $2, $3, $4, $5) ON CONFLICT (login) DO NOTHING
