-- Ends the feed of an account. $1 account. None.
DELETE FROM floor_feed WHERE account_id = $1
