-- The number of the last change of a norm. $1 norm. One or none.
SELECT id FROM norm_change WHERE norm = $1 ORDER BY id DESC LIMIT 1
