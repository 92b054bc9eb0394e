-- A norm that the works no longer sets. $1 norm. None.
DELETE FROM norm WHERE id = $1
