-- Keeps folds of the house. $1 name, $2 folding as jsonb, $3 account. None.
INSERT INTO house_fold (name, body, added_by) VALUES ($1, $2, $3)
