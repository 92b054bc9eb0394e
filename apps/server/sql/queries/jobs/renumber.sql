-- Gives a job another number. $1 job, $2 number. None.
UPDATE job SET number = $2 WHERE id = $1 AND number <> $2
