-- Keeps folds of the house no longer. $1 name. One, or none where there are none so.
DELETE FROM house_fold WHERE name = $1 RETURNING name
