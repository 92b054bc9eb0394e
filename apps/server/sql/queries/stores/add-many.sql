-- Puts several lots into the store, and keeps how they came. $1 lots, $2 account, $3 reason. None.
WITH added AS (
  INSERT INTO holding (paper, other, key, quantity, place, changed_by)
  SELECT paper, other, key, quantity, place, $2
  FROM jsonb_to_recordset($1::jsonb) AS t(paper jsonb, other jsonb, key text, quantity double precision, place text)
  RETURNING id, quantity, place
)
INSERT INTO holding_change (holding_id, quantity_before, quantity_after, reason, changed_by, place_before, place_after)
SELECT id, 0, quantity, $3, $2, '', place FROM added
