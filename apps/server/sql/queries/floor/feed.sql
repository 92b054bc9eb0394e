-- The feed of an account. $1 account. One or none.
SELECT iso(made_at) AS "madeAt" FROM floor_feed WHERE account_id = $1
