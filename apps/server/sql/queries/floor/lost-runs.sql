-- Plans that nobody has heard of for so many seconds: whoever made them is gone, or they may never have come into the queue. $1 seconds. Many.
SELECT id, queued, state FROM floor_run
WHERE state IN ('waiting', 'running') AND coalesce(seen_at, asked_at) < now() - make_interval(secs => $1)
