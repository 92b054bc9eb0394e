-- Notes changes of norms. $1 list of norm, before and after as jsonb, $2 reason, $3 account. None.
INSERT INTO norm_change (norm, value_before, value_after, reason, changed_by)
SELECT norm, before, after, $2, $3 FROM jsonb_to_recordset($1::jsonb) AS t (norm text, before double precision, after double precision)
