-- Sets the locale of an account. $1 account, $2 BCP 47 tag or null. None.
UPDATE account SET locale = $2 WHERE id = $1
