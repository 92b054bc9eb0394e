-- Notes decisions. $1 list of norm, taken, before, value and upTo as jsonb, $2 reason, $3 account. None.
INSERT INTO norm_decision (norm, taken, value_before, value_proposed, up_to, reason, decided_by)
SELECT norm, taken, before, value, "upTo", $2, $3
FROM jsonb_to_recordset($1::jsonb) AS t (norm text, taken boolean, before double precision, value double precision, "upTo" integer)
