-- The last change of a norm. $1 norm. One or none.
SELECT id, value_after FROM norm_change WHERE norm = $1 ORDER BY id DESC LIMIT 1
