-- Takes out schedules that nobody looks at any more: all but the newest. $1 how many stay. None.
DELETE FROM floor_schedule WHERE state <> 'in force' AND id NOT IN (SELECT id FROM floor_schedule ORDER BY id DESC LIMIT $1)
