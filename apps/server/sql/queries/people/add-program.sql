-- Adds the account of a program. $1 login, $2 name, $3 role. One.
INSERT INTO account (login, name, role, program) VALUES ($1, $2, $3, true) RETURNING id
