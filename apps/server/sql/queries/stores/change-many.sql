-- Sets what several lots hold, and keeps how they changed. $1 lots with what they held and hold, $2 account, $3 reason. None.
WITH told AS (
  SELECT id, before, after FROM jsonb_to_recordset($1::jsonb) AS t(id integer, before double precision, after double precision)
), changed AS (
  UPDATE holding h SET quantity = t.after, changed_by = $2, changed_at = now(), version = h.version + 1
  FROM told t WHERE h.id = t.id RETURNING h.id, h.place, t.before, t.after
)
INSERT INTO holding_change (holding_id, quantity_before, quantity_after, reason, changed_by, place_before, place_after)
SELECT id, before, after, $3, $2, place, place FROM changed
