-- Takes out plans that were ended some days ago. $1 days. None.
DELETE FROM floor_run WHERE state IN ('done', 'failed') AND asked_at < now() - make_interval(days => $1)
