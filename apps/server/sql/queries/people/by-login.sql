-- Whether somebody signs in by a name, disabled or not. $1 login. One or none.
SELECT id FROM account WHERE lower(login) = lower($1)
