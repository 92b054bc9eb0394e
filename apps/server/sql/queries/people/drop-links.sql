-- Ends the links of an account. $1 account. None.
DELETE FROM account_link WHERE account_id = $1
