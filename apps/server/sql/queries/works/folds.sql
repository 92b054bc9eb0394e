-- Folds of the house by name. Many.
SELECT name, body FROM house_fold ORDER BY name
