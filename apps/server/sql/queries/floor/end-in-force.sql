-- What is in force is past. None.
UPDATE floor_schedule SET state = 'past' WHERE state = 'in force'
