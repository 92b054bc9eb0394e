-- Keeps an exercise that somebody has filled. $1 account, $2 kind, $3 number, $4 grade, $5 share of its marks. None.
INSERT INTO practice_result (account_id, kind, seed, grade, marks) VALUES ($1, $2, $3, $4, $5)
