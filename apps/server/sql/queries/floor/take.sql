-- Puts a schedule in force; none is then. $1 id. None.
UPDATE floor_schedule SET state = 'in force' WHERE id = $1
