-- Whether there is such an address. $1 it. One or none.
SELECT id FROM hook WHERE id = $1
