-- Puts a job aside, or takes it up again. $1 job, $2 whether it is aside. One, or none where it was so already.
UPDATE job SET aside = $2 WHERE id = $1 AND aside <> $2 RETURNING id
