-- Records of a job's press room, oldest first. $1 job. Many.
SELECT r.id, r.event, r.entered_at, a.name AS entered_by
FROM press_room_record r JOIN account a ON a.id = r.entered_by
WHERE r.job_id = $1 ORDER BY r.id
