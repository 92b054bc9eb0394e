-- Adds an account that has no password yet. $1 login, $2 name, $3 role. One.
INSERT INTO account (login, name, role) VALUES ($1, $2, $3) RETURNING id
