-- Takes an address away, with its messages. $1 it. One or none.
DELETE FROM hook WHERE id = $1 RETURNING id
