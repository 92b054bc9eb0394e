-- People whom something can be given to. Many.
SELECT id, name FROM account WHERE disabled_at IS NULL ORDER BY name, id
