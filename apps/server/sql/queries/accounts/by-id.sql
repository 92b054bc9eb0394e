-- The account of a session. $1 id. One or none.
SELECT id, login, name, role FROM account WHERE id = $1
