-- Withdraws the token of a program. $1 account. One or none.
DELETE FROM program_token WHERE account_id = $1 RETURNING account_id AS id
